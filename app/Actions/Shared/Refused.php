<?php

declare(strict_types=1);

namespace App\Actions\Shared;

/** What was asked cannot be done as things stand; the message says why and what to do. Shown with status 409. */
final class Refused extends \DomainException
{
    /** @param  array<string, mixed>  $context for whoever shows it: what stands instead */
    public function __construct(string $message, public readonly array $context = [])
    {
        parent::__construct($message);
    }
}
