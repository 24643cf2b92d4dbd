<?php

declare(strict_types=1);

namespace App\Console;

/** Verdicts of raters on items, from a CSV with these three columns; what cannot be used is told by its line. */
final class RatingsFile
{
    /** @var list<array{string, string, string}> item, rater and verdict */
    public array $rows = [];

    /** @var list<string> by line and reason */
    public array $rejected = [];

    /** @var array<string, true> */
    private array $seen = [];

    /** @param  ?list<string>  $offered  verdicts that there may be; null where any may */
    private function __construct(private readonly ?array $offered)
    {
    }

    /**
     * @param  resource  $stream
     * @param  ?list<string>  $offered
     * @return ?self null where it lacks one of the columns
     */
    public static function read($stream, ?array $offered): ?self
    {
        $heads = array_map(
            fn (?string $head): string => strtolower(trim((string) $head, "\xEF\xBB\xBF \t")),
            fgetcsv($stream, escape: '') ?: [],
        );
        $at = fn (string $column): int|false => array_search($column, $heads, true);
        $columns = array_map($at, ['item', 'rater', 'verdict']);
        if (in_array(false, $columns, true)) {
            return null;
        }
        $file = new self($offered);
        for ($line = 2; ($cells = fgetcsv($stream, escape: '')) !== false; $line++) {
            if ($cells !== [null]) {
                $file->take($line, ...array_map(fn (int|false $at): string => trim($cells[(int) $at] ?? ''), $columns));
            }
        }

        return $file;
    }

    /** An empty verdict is a missing rating. */
    private function take(int $line, string $item, string $rater, string $verdict): void
    {
        $problem = match (true) {
            $item === '' || $rater === '' => 'an item and a rater are needed.',
            $verdict === '' => '',
            $this->offered !== null && ! in_array($verdict, $this->offered, true) => "“{$verdict}” is not one of: "
                .implode(', ', $this->offered).'.',
            isset($this->seen["{$item}\0{$rater}"]) => "{$rater} has judged {$item} already.",
            default => null,
        };
        if ($problem === null) {
            $this->seen["{$item}\0{$rater}"] = true;
            $this->rows[] = [$item, $rater, $verdict];
        } elseif ($problem !== '') {
            $this->rejected[] = "{$line}: {$problem}";
        }
    }
}
