<?php

declare(strict_types=1);

namespace App\Files\In;

use WaryHeron\Core\Bibliography\Format\Csv\CsvReader;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\Table\Columns;
use WaryHeron\Core\Bibliography\Format\Table\HeadingRow;
use WaryHeron\Core\Bibliography\Format\Table\TableReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** One file of references that is not compressed, in whatever format it turns out to be. */
final class ReferenceFile
{
    /** How far the reading has come, in bytes; of an XLSX file unknown. */
    public ?int $read = null;

    /** @param  ?Columns  $columns  of a table; null to guess */
    public function __construct(
        public readonly string $path,
        public readonly string $format,
        public readonly Reading $reading = new Reading(),
        private readonly ?Columns $columns = null,
        private readonly ?string $delimiter = null,
    ) {
        if ($format !== 'xlsx' && ! isset(Formats::readers()[$format])) {
            throw new \InvalidArgumentException(
                "“{$format}” is not a format that is read. Known: ".implode(', ', array_keys(Formats::TITLES)).'.',
            );
        }
    }

    /** @throws UnusableFile If it is of no known format. */
    public static function formatOf(string $path): string
    {
        $stream = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
        $beginning = (string) fread($stream, 65536);
        fclose($stream);

        return str_starts_with($beginning, "PK\x03\x04") && Workbook::is($path)
            ? 'xlsx'
            : Formats::recognise($beginning);
    }

    /**
     * @return \Generator<int, Reference|UnreadableRecord>
     *
     * @throws UnusableFile
     */
    public function records(): \Generator
    {
        if ($this->format === 'xlsx') {
            yield from (new TableReader($this->columns))->references($this->sheet());

            return;
        }
        $stream = $this->stream();
        try {
            foreach ($this->reader()->read($stream, $this->reading) as $one) {
                $this->read = (int) ftell($stream);
                yield $one;
            }
        } finally {
            fclose($stream);
        }
    }

    /** @return list<list<string>> the heading row of a table and the first rows below it */
    public function preview(int $rows): array
    {
        if ($this->format !== 'xlsx') {
            return (new CsvReader($this->delimiter))->preview($this->stream(), $rows, $this->reading);
        }
        $shown = [];
        foreach ($this->sheet() as $cells) {
            if (implode('', $cells) !== '') {
                $shown[] = $cells;
            }
            if (count($shown) > $rows) {
                break;
            }
        }

        return $shown;
    }

    /** @return \Generator<int, list<string>> */
    private function sheet(): \Generator
    {
        return HeadingRow::on(Workbook::rows($this->path), $this->reading);
    }

    private function reader(): ReferenceReader
    {
        return $this->format === 'csv'
            ? new CsvReader($this->delimiter, $this->columns)
            : Formats::readers()[$this->format];
    }

    /** @return resource */
    private function stream()
    {
        return fopen($this->path, 'rb') ?: throw new \RuntimeException("Cannot read {$this->path}.");
    }
}
