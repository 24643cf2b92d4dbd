<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** Nothing in the file can be read. */
final class UnusableFile extends \RuntimeException
{
    public static function unknownFormat(): self
    {
        return new self('This is not a file of a known format. RIS files start with a TY line.');
    }

    public static function isEmpty(): self
    {
        return new self('The file is empty.');
    }

    public static function isBinary(): self
    {
        return new self('This is a binary file, not text, whatever its name says.');
    }
}
