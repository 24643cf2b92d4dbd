<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\User;

/** What was asked cannot be done as things stand; the message says why and what to do. Shown with status 409. */
final class Refused extends \DomainException
{
    /** @param  array<string, mixed>  $context for whoever shows it: what stands instead */
    public function __construct(string $message, public readonly array $context = [])
    {
        parent::__construct($message);
    }

    /** What somebody else, or oneself on another page, did stands where the page showed something older. */
    public static function overtaken(User $me, ?User $by, string $did, string $now): self
    {
        $who = match (true) {
            $by === null => 'Somebody',
            $by->is($me) => 'You',
            default => $by->name,
        };

        return new self("{$who} {$did} meanwhile. {$now}");
    }
}
