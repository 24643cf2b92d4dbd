<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Coding\Lead\Passage;

/** How many people a table says are in each group, wherever it does. */
final class GroupSizes
{
    /** @return array<int, OfferedNumber> by group, such as of “Lamps (n = 60)” */
    public static function inName(int $group, string $name, Passage $row): array
    {
        return preg_match('/\bn\s*=\s*(\d[\d,]*)/iu', $name, $found) === 1
            ? [$group => new OfferedNumber(str_replace(',', '', $found[1]), $row->text, $row->page)]
            : [];
    }

    /**
     * Of one line, in columns headed “n” right beside those of the groups.
     *
     * @param  array<int, int>  $at  the column of each group
     * @param  int  $shift  how much further right cells stand than their heads
     * @return array<int, OfferedNumber>
     */
    public static function beside(Passage $row, Passage $head, array $at, int $shift): array
    {
        $sizes = [];
        foreach (array_intersect_key($at, [1 => true, 2 => true]) as $group => $column) {
            $isCount = preg_match('/^(?:n|no\.?|number)$/iu', trim($head->cells[$column + 1] ?? '')) === 1;
            $cell = trim($row->cells[$column + 1 + $shift] ?? '');
            if ($isCount && preg_match('/^\d[\d,]*$/', $cell) === 1) {
                $sizes[$group] = new OfferedNumber(str_replace(',', '', $cell), $row->text, $row->page);
            }
        }

        return $sizes;
    }

    /**
     * @param  list<TableLine>  $lines
     * @return array<int, OfferedNumber> from the first line that counts people
     */
    public static function inLine(array $lines): array
    {
        foreach ($lines as $line) {
            if ($line->counts()) {
                $sizes = [];
                foreach ($line->groups() as $group => $cell) {
                    $sizes[$group] = $line->number($group, str_replace(',', '', trim($cell)));
                }

                return $sizes;
            }
        }

        return [];
    }
}
