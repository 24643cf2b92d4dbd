<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** A record that could not be taken in: where it starts, what is wrong, and its text. */
final readonly class UnreadableRecord
{
    private function __construct(public int $line, public string $message, public string $text)
    {
    }

    public static function withoutTitle(int $line, string $text): self
    {
        return new self($line, 'The record has no title. Add a TI line, or leave it out.', $text);
    }

    public static function strayText(int $line, string $text): self
    {
        return new self($line, 'This text stands outside any record: a record starts with a TY line.', $text);
    }

    public static function tooLarge(int $line, int $bytes, string $text): self
    {
        return new self($line, 'The record is larger than '.number_format($bytes / 1024).' kB and was passed over.', $text);
    }
}
