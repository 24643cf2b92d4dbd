<?php

declare(strict_types=1);

namespace App\Files\In;

use App\Files\StoredFile;
use App\Models\Delivery;
use WaryHeron\Core\Bibliography\Format\Csv\CsvReader;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\Table\Columns;
use WaryHeron\Core\Bibliography\Format\TextEncoding;

/** The first rows of a delivered table, with what its columns are guessed to hold. */
final readonly class TablePreview
{
    public const DELIMITERS = ['comma' => ',', 'semicolon' => ';', 'tab' => "\t", 'bar' => '|'];

    private const ROWS = 8;

    /**
     * @param  list<string>  $headings
     * @param  list<list<string>>  $rows
     * @param  array<int, string>  $guess  field by column
     */
    private function __construct(
        public array $headings,
        public array $rows,
        public array $guess,
        public string $delimiter,
        public string $encoding,
    ) {
    }

    /** @param  array{delimiter?: string, encoding?: string}  $asked */
    public static function of(Delivery $delivery, array $asked): self
    {
        $stored = StoredFile::of($delivery);
        $reading = new Reading($asked['encoding'] ?? null);
        $shown = (new ReferenceFile(
            $stored->path,
            $delivery->format,
            $reading,
            delimiter: self::delimiter($asked['delimiter'] ?? ''),
        ))->preview(self::ROWS);
        $headings = $shown[0] ?? [];
        $delimiter =
            self::delimiter($asked['delimiter'] ?? '') ??
            ($delivery->format === 'csv' ? self::guessed($stored->path) : ',');

        return new self(
            $headings,
            array_map(
                fn (array $row): array => array_map(fn (string $cell): string => mb_strimwidth($cell, 0, 160, '…'), $row),
                array_slice($shown, 1),
            ),
            Columns::guess($headings)->fields,
            (string) array_search($delimiter, self::DELIMITERS, true),
            $asked['encoding'] ?? (in_array($reading->found, TextEncoding::known(), true) ? $reading->found : 'UTF-8'),
        );
    }

    /** @return array<int, string> what columns without a guess look like */
    public function overlooked(): array
    {
        return (new Columns($this->guess))->overlooked($this->rows);
    }

    /**
     * @return array<string, string|array<int, string>|list<list<string>>>
     */
    public function toArray(): array
    {
        return [
            'headings' => $this->headings,
            'rows' => $this->rows,
            'guess' => $this->guess,
            'delimiter' => $this->delimiter,
            'encoding' => $this->encoding,
        ];
    }

    /**
     * @param  array{headings: list<string>, rows: list<list<string>>, guess: array<int, string>, delimiter: string,
     *     encoding: string}  $kept
     */
    public static function fromArray(array $kept): self
    {
        return new self($kept['headings'], $kept['rows'], $kept['guess'], $kept['delimiter'], $kept['encoding']);
    }

    private static function guessed(string $path): string
    {
        $beginning = TextEncoding::beginning((string) file_get_contents($path, false, null, 0, 20_000));

        return (new CsvReader())->delimiterIn($beginning) ?? ',';
    }

    public static function delimiter(string $given): ?string
    {
        return self::DELIMITERS[$given] ?? (in_array($given, self::DELIMITERS, true) ? $given : null);
    }
}
