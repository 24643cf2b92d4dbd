<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Map;

use WaryHeron\Core\Synthesis\Plot\Drawing;
use WaryHeron\Core\Synthesis\Plot\Legend;
use WaryHeron\Core\Synthesis\Plot\Point;
use WaryHeron\Core\Synthesis\Plot\Words;

/**
 * An evidence map drawn: discs as large in area as there are studies, split into sectors told apart by pattern, with the
 * number beside each; gaps are hatched.
 */
final readonly class MapPlot
{
    private const CELL = 124.0;

    private const HEIGHT = 76.0;

    private const RADIUS = 32.0;

    private const LABEL = 210.0;

    private const HEAD = 54.0;

    /** Patterns of sectors, by their order; what comes after is drawn as the last. */
    private const PATTERNS = ['solid', 'lines', 'dots', 'cross', 'blank'];

    private float $labelWidth;

    public function __construct(private EvidenceMap $map)
    {
        $draw = new Drawing(13.0);
        $this->labelWidth = min(self::LABEL, max([60.0, ...array_map($draw->widthOf(...), $map->rows)]));
    }

    public function radius(int $studies): float
    {
        return $studies === 0 ? 0.0 : max(4.0, self::RADIUS * sqrt($studies / $this->map->most()));
    }

    public function width(): float
    {
        return max($this->right(), $this->legend()->right() + 8);
    }

    public function height(): float
    {
        return $this->map->fills === [] ? $this->below() + 12 : $this->legend()->bottom() + 16;
    }

    /** The names of the fills, below the cells. */
    public function legend(): Legend
    {
        $left = $this->labelWidth + 22;

        return Legend::of(new Drawing(13.0), $this->map->fills, $left, $this->right(), $this->below() + 30, 20.0);
    }

    /** The upper left corner of a cell. */
    public function cell(int $row, int $column): Point
    {
        return new Point($this->labelWidth + 20 + self::CELL * $column, self::HEAD + self::HEIGHT * $row);
    }

    /**
     * @param  array<string, array<string, string>>  $links  addresses by row, then column
     * @param  array{string, string}  $chosen
     */
    public function svg(string $title, bool $isFile = true, array $links = [], array $chosen = ['', '']): string
    {
        $draw = new Drawing(13.0);
        $this->patterns($draw);
        $this->columnHeads($draw);
        foreach ($this->map->rows as $down => $row) {
            $this->rowHead($draw, $down, $row);
            foreach ($this->map->columns as $across => $column) {
                $this->drawn($draw, $down, $across, $links[$row][$column] ?? '', $chosen === [$row, $column]);
            }
        }
        $this->drawLegend($draw);
        $cells = count($this->map->rows) * count($this->map->columns);
        $about = "{$this->map->studies} studies; {$this->map->gaps()} of {$cells} cells have none.";

        return $draw->svg($this->width(), $this->height(), $title, $about, $isFile, $links !== []);
    }

    private function columnHeads(Drawing $draw): void
    {
        foreach ($this->map->columns as $at => $column) {
            $middle = $this->cell(0, $at)->x + self::CELL / 2;
            foreach (Words::wrapped($draw, $column, self::CELL - 8, 2) as $line => $words) {
                $draw->text($middle, 22 + 16 * $line, $words, ['text-anchor' => 'middle']);
            }
        }
    }

    private function rowHead(Drawing $draw, int $down, string $row): void
    {
        $y = $this->cell($down, 0)->y + self::HEIGHT / 2;
        $lines = Words::wrapped($draw, $row, $this->labelWidth, 2);
        foreach ($lines as $line => $words) {
            $below = $y + 4 + 16 * ($line - (count($lines) - 1) / 2);
            $draw->text($this->labelWidth + 8, $below, $words, ['text-anchor' => 'end']);
        }
    }

    private function drawn(Drawing $draw, int $down, int $across, string $link, bool $isChosen): void
    {
        [$row, $column] = [$this->map->rows[$down], $this->map->columns[$across]];
        $corner = $this->cell($down, $across);
        [$x, $y] = [$corner->x, $corner->y];
        $studies = $this->map->at($row, $column);
        if ($link !== '' && $studies > 0) {
            $draw->open('a', ['href' => $link, 'aria-label' => trim("{$row}, {$column}: {$studies}", ' ,')]);
        }
        $draw->rect($x + 1, $y + 1, self::CELL - 2, self::HEIGHT - 2, [
            'class' => $isChosen ? 'map-cell map-chosen' : 'map-cell',
            'fill' => $studies === 0 ? 'url(#gap)' : 'none',
            'stroke' => 'currentColor',
            'stroke-opacity' => $isChosen ? 1 : 0.25,
            'pointer-events' => 'all',
        ]);
        if ($studies > 0) {
            $this->disc($draw, $x + self::CELL / 2 - 8, $y + self::HEIGHT / 2, $row, $column);
            $draw->text($x + self::CELL - 10, $y + 20, (string) $studies, ['text-anchor' => 'end', 'font-size' => 15]);
        }
        if ($link !== '' && $studies > 0) {
            $draw->close('a');
        }
    }

    private function disc(Drawing $draw, float $x, float $y, string $row, string $column): void
    {
        $r = $this->radius($this->map->at($row, $column));
        $split = array_filter($this->map->split[$row][$column] ?? []);
        $sum = array_sum($split);
        if ($split === [] || $this->map->fills === []) {
            $draw->circle($x, $y, $r, ['fill' => Drawing::ACCENT, 'class' => 'plot-box']);

            return;
        }
        $draw->circle(
            $x,
            $y,
            $r,
            ['fill' => 'none', 'stroke' => Drawing::ACCENT, 'stroke-width' => 1.5, 'class' => 'map-ring'],
        );
        $from = 0.0;
        foreach ($this->map->fills as $i => $fill) {
            $part = ($split[$fill] ?? 0) / $sum;
            if ($part > 0) {
                $draw->path($this->sector($x, $y, $r, $from, $from + $part), [
                    'fill' => self::fill($i),
                    'stroke' => Drawing::ACCENT,
                    'stroke-width' => 1.2,
                    'class' => $i === 0 ? 'plot-box' : 'map-sector',
                ]);
            }
            $from += $part;
        }
    }

    private function sector(float $x, float $y, float $r, float $from, float $to): string
    {
        if ($to - $from > 0.9999) {
            return sprintf(
                'M%1$s %2$sa%3$s %3$s 0 1 1 0 %4$sa%3$s %3$s 0 1 1 0 -%4$sz',
                ...array_map(Drawing::n(...), [$x, $y - $r, $r, 2 * $r]),
            );
        }
        $point = fn (float $at): string => Drawing::n($x + $r * sin(2 * M_PI * $at)).' '.Drawing::n($y - $r * cos(2 * M_PI * $at));

        return 'M'.Drawing::n($x).' '.Drawing::n($y).'L'.$point($from).'A'.Drawing::n($r).' '.Drawing::n($r).' 0 '.
            ($to - $from > 0.5 ? 1 : 0).' 1 '.$point($to).'z';
    }

    private static function fill(int $at): string
    {
        $pattern = self::PATTERNS[min($at, count(self::PATTERNS) - 1)];

        return match ($pattern) {
            'solid' => Drawing::ACCENT,
            'blank' => 'none',
            default => "url(#{$pattern})",
        };
    }

    private function patterns(Drawing $draw): void
    {
        $draw->open('defs');
        foreach (
            [
                'gap' => ['M0 8L8 0', 0.22],
                'lines' => ['M0 3h6', 0.95],
                'cross' => ['M0 3h6M3 0v6', 0.9],
            ] as $id => [$d, $dark]
        ) {
            $size = $id === 'gap' ? 8 : 6;
            $draw->open(
                'pattern',
                ['id' => $id, 'width' => $size, 'height' => $size, 'patternUnits' => 'userSpaceOnUse'],
            );
            $draw->path(
                $d,
                [
                    'stroke' => $id === 'gap' ? 'currentColor' : Drawing::ACCENT,
                    'stroke-opacity' => $dark,
                    'stroke-width' => 1.4,
                ],
            );
            $draw->close('pattern');
        }
        $draw->open('pattern', ['id' => 'dots', 'width' => 6, 'height' => 6, 'patternUnits' => 'userSpaceOnUse']);
        $draw->circle(3, 3, 1.5, ['fill' => Drawing::ACCENT]);
        $draw->close('pattern');
        $draw->close('defs');
    }

    private function drawLegend(Drawing $draw): void
    {
        foreach ($this->legend()->names as $i => $name) {
            $draw->rect($name->x - 20, $name->y - 11, 14, 14, [
                'fill' => self::fill($i),
                'stroke' => Drawing::ACCENT,
                'class' => $i === 0 ? 'plot-box' : 'map-sector',
            ]);
            $draw->text($name->x, $name->y, $name->text);
        }
    }

    /** Where the cells end, with a margin. */
    private function right(): float
    {
        return $this->labelWidth + 30 + self::CELL * count($this->map->columns);
    }

    private function below(): float
    {
        return self::HEAD + self::HEIGHT * count($this->map->rows);
    }
}
