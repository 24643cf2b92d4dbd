<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexReader;
use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexWriter;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonReader;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonWriter;
use WaryHeron\Core\Bibliography\Format\Csv\CsvReader;
use WaryHeron\Core\Bibliography\Format\Csv\CsvWriter;
use WaryHeron\Core\Bibliography\Format\Mods\ModsFileReader;
use WaryHeron\Core\Bibliography\Format\Mods\ModsWriter;
use WaryHeron\Core\Bibliography\Format\Nbib\NbibReader;
use WaryHeron\Core\Bibliography\Format\Nbib\NbibWriter;
use WaryHeron\Core\Bibliography\Format\Printed\PrintedReader;
use WaryHeron\Core\Bibliography\Format\Refer\ReferReader;
use WaryHeron\Core\Bibliography\Format\Ris\RisReader;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;

/**
 * The formats of text that are read and written, by name. XLSX, which is no text, is a table of rows for TableReader.
 */
final class Formats
{
    /** The format as people call it. */
    public const TITLES = [
        'ris' => 'RIS',
        'nbib' => 'NBIB (tagged text)',
        'bibtex' => 'BibTeX',
        'csl-json' => 'CSL-JSON',
        'mods' => 'MODS',
        'csv' => 'CSV',
        'xlsx' => 'XLSX',
    ];

    /** What is read, and never written. */
    private const READ_ONLY = ['refer' => 'refer', 'printed' => 'references as papers print them'];

    /** So many signs of control may have strayed into a text. */
    private const STRAY = 8;

    private const BINARY = "/[\x01-\x08\x0E-\x1A\x1C-\x1F]/";

    /**
     * @return array<string, ReferenceReader&RecognisesItself> in the order in which they are asked whether a text is
     *     theirs
     */
    public static function readers(): array
    {
        return [
            'mods' => new ModsFileReader(),
            'csl-json' => new CslJsonReader(),
            'ris' => new RisReader(),
            'bibtex' => new BibtexReader(),
            'nbib' => new NbibReader(),
            'refer' => new ReferReader(),
            'csv' => new CsvReader(),
            'printed' => new PrintedReader(),
        ];
    }

    /** The format as people call it, whether it is written too or only read. */
    public static function title(string $name): string
    {
        return self::TITLES[$name] ?? self::READ_ONLY[$name] ?? $name;
    }

    /** @return array<string, ReferenceWriter> */
    public static function writers(): array
    {
        return [
            'ris' => new RisWriter(),
            'nbib' => new NbibWriter(),
            'bibtex' => new BibtexWriter(),
            'csl-json' => new CslJsonWriter(),
            'mods' => new ModsWriter(),
            'csv' => new CsvWriter(),
        ];
    }

    /**
     * The name of the format that the text is written in, whatever the file is called.
     *
     * @param  string  $beginning  the first few kilobytes, as bytes
     *
     * @throws UnusableFile If the text is empty, binary or of no known format.
     */
    public static function recognise(string $beginning): string
    {
        $text = TextEncoding::beginning($beginning);
        if (trim($text) === '') {
            throw UnusableFile::isEmpty();
        }
        if (self::isBinary($text)) {
            throw UnusableFile::isBinary();
        }
        $text = mb_scrub($text, 'UTF-8');
        if (preg_match('/^\s*<(?:\?xml[^>]*>\s*)?(?:<!--.*?-->\s*)*<?!(?:DOCTYPE[^>]*\[|ENTITY)/is', $text) === 1) {
            throw UnusableFile::declaresEntities();
        }
        foreach (self::readers() as $name => $reader) {
            if ($reader->recognises($text)) {
                return $name;
            }
        }
        throw UnusableFile::unknownFormat();
    }

    private static function isBinary(string $text): bool
    {
        // ISO-2022-KR changes between its letters by signs of control
        $signs = str_contains($text, "\x1B\$)C") ? str_replace(["\x0E", "\x0F"], '', $text) : $text;

        return preg_match_all(self::BINARY, substr($signs, 0, 4096)) > self::STRAY ||
            substr_count($text, "\0") > min(self::STRAY, strlen($text) / 100);
    }
}
