<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** Nothing in the file can be read. */
final class UnusableFile extends \RuntimeException
{
    public static function unknownFormat(): self
    {
        return new self(
            'This is not a file of a known format. RIS, tagged text (NBIB), BibTeX, CSL-JSON, MODS, CSV and XLSX are read, '
            .'and lists of references as papers print them.',
        );
    }

    public static function tooLong(): self
    {
        return new self('A list of references as papers print them is read up to two megabytes. Cut it into several files.');
    }

    public static function isEmpty(): self
    {
        return new self('The file is empty.');
    }

    public static function isBinary(): self
    {
        return new self('This is a binary file, not text, whatever its name says.');
    }

    public static function declaresEntities(): self
    {
        return new self(
            'The XML declares a document type or entities of its own. Such files are not read: they can name other files, or grow without bound.',
        );
    }

    public static function withoutTitleColumn(): self
    {
        return new self(
            'No column of this table holds titles. Say which column is the title, and the file can be read.',
        );
    }
}
