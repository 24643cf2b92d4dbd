<?php

declare(strict_types=1);

namespace App\Notices;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A letter in plain text: paragraphs, and one address to open. */
final class PlainLetter extends Mailable
{
    /** @param  list<string>  $paragraphs */
    public function __construct(private readonly string $about, private readonly array $paragraphs)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: 'mail.plain', with: ['paragraphs' => $this->paragraphs]);
    }
}
