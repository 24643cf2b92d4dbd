<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Coding\Lead\Passage;

/** What a table says of one thing in both groups: a row of it, or a column where the groups stand below each other. */
final readonly class TableLine
{
    private const COUNTED = '/^(?:n|no\.?|number|total|people|participants|patients|persons|nurses|staff|subjects|analy[sz]ed|randomi[sz]ed)\b'.
        '(?!.*\b(?:with|who had|having)\b)/iu';

    /**
     * @param  array<int, string>  $cells  by group, 1 and 2; 0 for what is worked out of both
     * @param  array<int, Passage>  $rows  in which each cell stands
     * @param  string  $head  over the cell of both
     * @param  string  $legend  what is said over and under the table of how such a line is given
     * @param  array<int, OfferedNumber>  $sizes  how many people it is of, by group, where it says so itself
     */
    public function __construct(
        public string $label,
        public array $cells,
        public array $rows,
        public string $head = '',
        private string $legend = '',
        public array $sizes = [],
    ) {
    }

    /** How many a row counts in each group, such as “People analysed 60 58”. */
    public function counts(): bool
    {
        $isPlain = fn (string $cell): bool => preg_match('/^\d[\d,]*$/', trim($cell)) === 1;

        return preg_match(self::COUNTED, $this->label) === 1 && array_filter($this->groups(), $isPlain) === $this->groups();
    }

    /** @return array<int, string> the cells of the groups alone */
    public function groups(): array
    {
        return array_diff_key($this->cells, [0 => true]);
    }

    public function says(string $pattern): bool
    {
        return preg_match("/{$pattern}/iu", $this->label) === 1;
    }

    /** Whether its numbers are given so: by its own words where they tell, else by those of the table. */
    public function gives(string $pattern): bool
    {
        $told = preg_match(TableLegend::FORMAT, $this->label) === 1 ? $this->label : $this->legend;

        return preg_match("/{$pattern}/iu", $told) === 1;
    }

    public function number(int $group, string $value): OfferedNumber
    {
        return new OfferedNumber($value, $this->rows[$group]->text, $this->rows[$group]->page);
    }
}
