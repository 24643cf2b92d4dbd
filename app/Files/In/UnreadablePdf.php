<?php

declare(strict_types=1);

namespace App\Files\In;

/** A PDF that gives no text, and why, in a sentence for people. */
final class UnreadablePdf extends \RuntimeException
{
    public static function because(string $complaint): self
    {
        return new self(
            stripos($complaint, 'password') !== false
                ? 'It is locked with a password. Save it without one and bring it again.'
                : 'It is no PDF, or damaged.',
        );
    }

    public static function withoutText(): self
    {
        return new self('It has no text in it: its pages are pictures, as of a scan.');
    }
}
