<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexWriter;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonWriter;
use WaryHeron\Core\Bibliography\Format\Csv\CsvWriter;
use WaryHeron\Core\Bibliography\Format\Nbib\NbibWriter;
use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;

/** The formats that are read and written, by name. */
final class Formats
{
    /** @return array<string, ReferenceReader&RecognisesItself> */
    public static function readers(): array
    {
        return ['ris' => new RisReader];
    }

    /** @return array<string, ReferenceWriter> */
    public static function writers(): array
    {
        return ['ris' => new RisWriter, 'csv' => new CsvWriter, 'csl-json' => new CslJsonWriter, 'nbib' => new NbibWriter, 'bibtex' => new BibtexWriter];
    }

    /**
     * The name of the format that the text is written in, whatever the file is called.
     *
     * @param  string  $beginning  the first few kilobytes
     *
     * @throws UnusableFile If the text is empty, binary or of no known format.
     */
    public static function recognise(string $beginning): string
    {
        if (trim($beginning, " \t\r\n\xEF\xBB\xBF") === '') {
            throw UnusableFile::isEmpty();
        }
        if (str_contains($beginning, "\0")) {
            throw UnusableFile::isBinary();
        }
        foreach (self::readers() as $name => $reader) {
            if ($reader->recognises($beginning)) {
                return $name;
            }
        }
        throw UnusableFile::unknownFormat();
    }
}
