<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Reference;

/** A record that could not be taken in: where it starts, what is wrong, and the beginning of its text. */
final readonly class UnreadableRecord
{
    private const EXCERPT = 65_536;

    public string $text;

    private function __construct(public int $line, public string $message, string $text)
    {
        $this->text = strlen($text) > self::EXCERPT ? mb_strcut($text, 0, self::EXCERPT, 'UTF-8') : $text;
    }

    /** The reference itself where anything says which work it is, with a title or without. */
    public static function unlessIdentified(
        Reference $reference,
        string $remedy,
    ): Reference|self {
        return $reference->isIdentified()
            ? $reference
            : self::lacking($reference, 'an author, DOI, journal or abstract', $remedy);
    }

    /** The reference itself unless there is nothing in it, as in a heading without a record. */
    public static function unlessEmpty(
        Reference $reference,
        string $remedy = 'Add a title, or leave the record out.',
    ): Reference|self {
        return $reference->saysAnything()
            ? $reference
            : self::lacking($reference, 'an author, DOI, journal, publisher or note', $remedy);
    }

    public static function tooLarge(int $line, string $text): self
    {
        return new self(
            $line,
            'The record is larger than '.
                number_format(ReferenceReader::LARGEST_RECORD / 1024).
                ' kB and was passed over.',
            $text,
        );
    }

    public static function broken(int $line, string $what, string $text): self
    {
        return new self($line, $what, $text);
    }

    private static function lacking(Reference $reference, string $what, string $remedy): self
    {
        $message = "The record has no title, nor {$what} to tell it by. {$remedy}";

        return new self($reference->line, $message, $reference->source);
    }
}
