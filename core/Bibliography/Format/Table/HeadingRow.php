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
     * The rows from the heading row on; what stands above it is left out. Where no row has headings that are known, the
     * first is taken for them.
     *
     * @param  iterable<int, list<string>>  $rows  by line number; empty ones are passed over until it is found
     * @return \Generator<int, list<string>>
     */
    public static function on(iterable $rows, Reading $reading): \Generator
    {
        $above = [];
        $isFound = false;
        foreach ($rows as $line => $cells) {
            if (! $isFound) {
                if (implode('', $cells) === '') {
                    continue;
                }
                $above[$line] = $cells;
                $isHeading = self::is($cells);
                if (! $isHeading && count($above) < self::LOWEST) {
                    continue;
                }
                [$isFound, $first] = [true, array_key_first($above)];
                if ($isHeading && $first !== $line) {
                    $reading->leaveOut($first, implode(' ', $above[$first]));
                }
                yield from $isHeading ? [$line => $cells] : $above;
                $above = [];

                continue;
            }
            yield $line => $cells;
        }
        yield from $above;
    }

    /** @param  list<string>  $cells */
    private static function is(array $cells): bool
    {
        $columns = Columns::guess(array_map(trim(...), $cells));

        return $columns->hold('title') && count($columns->fields) > 1;
    }
}
