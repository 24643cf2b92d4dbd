<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

use WaryHeron\Core\Bibliography\Format\Reading;

/** Finds the row of headings in a table that begins with the name of an export, a date, a count. */
final class HeadingRow
{
    /** So many rows down it is looked for. */
    public const LOWEST = 10;

    /**
     * @param  iterable<int, list<string>>  $rows  by line number
     * @return \Generator<int, list<string>> as among() gives them
     */
    public static function on(iterable $rows, Reading $reading): \Generator
    {
        return self::among($rows, $reading, fn (array $cells): bool => implode('', $cells) === '', self::is(...));
    }

    /**
     * The rows from the heading row on; what stands above it is left out. Where no row has headings that are known, the
     * first is taken for them.
     *
     * @template TRow of string|list<string>
     *
     * @param  iterable<int, TRow>  $rows  by line number, not yet parted into cells or parted already
     * @param  \Closure(TRow): bool  $isNothing  which of them are passed over until it is found
     * @param  \Closure(TRow): bool  $isHeading
     * @return \Generator<int, TRow>
     */
    public static function among(iterable $rows, Reading $reading, \Closure $isNothing, \Closure $isHeading): \Generator
    {
        $above = [];
        $isFound = false;
        foreach ($rows as $number => $row) {
            if (! $isFound) {
                if ($isNothing($row)) {
                    continue;
                }
                $isFound = $isHeading($row);
                if ($isFound && $above !== []) {
                    [$line, $first] = $above[0];
                    $reading->leaveOut($line, is_array($first) ? implode(' ', $first) : $first);
                    $above = [];
                }
                if (! $isFound) {
                    $above[] = [$number, $row];
                    if (count($above) < self::LOWEST) {
                        continue;
                    }
                    $isFound = true;
                    yield from self::numbered($above);
                    $above = [];

                    continue;
                }
            }
            yield $number => $row;
        }
        yield from self::numbered($above);
    }

    /**
     * @template TRow
     *
     * @param  list<array{int, TRow}>  $rows  pieces of one long line have one number
     * @return \Generator<int, TRow>
     */
    private static function numbered(array $rows): \Generator
    {
        foreach ($rows as [$number, $row]) {
            yield $number => $row;
        }
    }

    /** @param  list<string>  $cells */
    private static function is(array $cells): bool
    {
        $columns = Columns::guess(array_map(trim(...), $cells));

        return $columns->hold('title') && count($columns->fields) > 1;
    }
}
