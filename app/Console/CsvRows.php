<?php

declare(strict_types=1);

namespace App\Console;

/** Rows of a CSV file by the names of its columns. */
final readonly class CsvRows
{
    /**
     * @param  list<string>  $heads
     * @param  resource  $stream
     */
    private function __construct(public array $heads, private mixed $stream)
    {
    }

    /** Null where the file cannot be read, or holds no columns. */
    public static function open(string $path): ?self
    {
        $stream = is_file($path) && is_readable($path) ? fopen($path, 'rb') : false;
        $heads = $stream === false ? false : fgetcsv($stream, escape: '');
        if ($stream === false || $heads === false || $heads === [null]) {
            return null;
        }

        return new self(
            array_map(fn (?string $head): string => trim((string) $head, "\xEF\xBB\xBF \t"), $heads),
            $stream,
        );
    }

    public function has(string ...$columns): bool
    {
        return array_diff($columns, $this->heads) === [];
    }

    /** @return \Generator<int, CsvRow> by line */
    public function rows(): \Generator
    {
        for ($line = 2; ($cells = fgetcsv($this->stream, escape: '')) !== false; $line++) {
            if ($cells !== [null]) {
                $named = [];
                foreach ($this->heads as $i => $head) {
                    $named[$head] = trim((string) ($cells[$i] ?? ''));
                }
                yield $line => new CsvRow($named);
            }
        }
    }
}
