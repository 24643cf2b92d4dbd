<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** The figures of a table's row, by what its columns are. */
final readonly class Columns
{
    private const FIGURE = '/([−–-]?\d[\d,]*(?:[.·]\d+)?)\s*(?:[(\[±;]\s*([−–-]?\d+(?:[.·]\d+)?)\s*%?)?/u';

    /** @param  list<ColumnFigure>  $figures */
    private function __construct(public array $figures)
    {
    }

    public static function of(Passage $row): self
    {
        $figures = [];
        foreach (array_slice($row->cells, 1) as $i => $cell) {
            if (preg_match(self::FIGURE, $cell, $found) === 1) {
                $head = $row->heads[$i + 1] ?? '';
                preg_match('/[Nn]\s*=\s*(\d[\d,]*)/u', $head, $n);
                $figures[] = new ColumnFigure(
                    $head,
                    (float) Figures::value($found[1]),
                    ($found[2] ?? '') === '' ? null : Figures::value($found[2]),
                    isset($n[1]) ? Figures::value($n[1]) : null,
                );
            }
        }

        return new self($figures);
    }

    /** The column of all together, if there is one. */
    public function whole(): ?int
    {
        foreach ($this->figures as $i => $figure) {
            if (preg_match('/\b(?:all|total|overall|whole|both|together|entire)\b/iu', $figure->head) === 1) {
                return $i;
            }
        }

        return count($this->figures) === 1 ? 0 : null;
    }

    /** The mean of the columns, each weighed by its n where the heads say it. */
    public function mean(): ?float
    {
        if ($this->figures === []) {
            return null;
        }
        $whole = $this->whole();
        if ($whole !== null) {
            return $this->figures[$whole]->value;
        }
        $arms = array_slice($this->figures, 0, $this->arms());
        $weights = array_map(fn (ColumnFigure $one): float => $one->n ?? 1.0, $arms);
        $weighed = fn (ColumnFigure $one, float $weight): float => $one->value * $weight;
        $sum = array_sum(array_map($weighed, $arms, $weights));

        return $sum / max(1.0, array_sum($weights));
    }

    /** Columns of figures before those of differences and p values. */
    public function arms(): int
    {
        foreach ($this->figures as $i => $figure) {
            if ($i > 0 && preg_match('/\b(?:p|difference|change|ratio|test|statistic)\b/iu', $figure->head) === 1) {
                return $i;
            }
        }

        return count($this->figures);
    }
}
