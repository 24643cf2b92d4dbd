<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/**
 * Studies down, what they were judged in across: a disc for each judgement, the fuller the worse, so that print and eyes
 * that tell no colours apart lose nothing; below, of each regard the share of studies by judgement.
 */
final readonly class JudgementPlot
{
    private const ROW = 26;

    private const COLUMN = 104;

    private const HEAD = 64;

    private const BAR = 16;

    private const R = 8;

    private float $labels;

    /**
     * @param  array<string, string>  $studies  names by study, in their order
     * @param  list<Judged>  $regards
     */
    public function __construct(private array $studies, private array $regards)
    {
        $draw = new Drawing();
        $widths = array_map(
            $draw->widthOf(...),
            [...array_values($studies), ...array_map(fn (Judged $one): string => $one->name, $regards)],
        );
        $this->labels = min(320.0, max([120.0, ...$widths])) + 16;
    }

    public function width(): float
    {
        return max($this->labels + self::COLUMN * count($this->regards) + 12, $this->labels + 420);
    }

    public function height(): float
    {
        return $this->legend()->bottom() + 18;
    }

    /** The middle of a disc. */
    public function at(int $row, int $column): Point
    {
        return new Point($this->labels + self::COLUMN * ($column + 0.5), self::HEAD + self::ROW * ($row + 0.5));
    }

    /** @param  array<string, string>  $links  addresses by study */
    public function svg(string $title, bool $isFile = true, array $links = []): string
    {
        $draw = new Drawing();
        $this->pattern($draw);
        foreach ($this->regards as $column => $regard) {
            foreach (Words::wrapped($draw, $regard->name, self::COLUMN - 8, 3) as $line => $words) {
                $draw->text($this->at(0, $column)->x, 16 + 16 * $line, $words, ['text-anchor' => 'middle']);
            }
        }
        $row = 0;
        foreach ($this->studies as $study => $name) {
            $this->study($draw, (string) $study, $name, $row++, $links[$study] ?? '');
        }
        $this->shares($draw);
        $this->drawLegend($draw);

        return $draw->svg($this->width(), $this->height(), $title, $this->about(), $isFile, $links !== []);
    }

    private function below(): float
    {
        return self::HEAD + self::ROW * count($this->studies) + 28;
    }

    private function study(Drawing $draw, string $study, string $name, int $row, string $link): void
    {
        $said = array_map(
            fn (Judged $one): string => "{$one->name}: ".($one->by[$study] ?? 'not judged'),
            $this->regards,
        );
        $link === ''
            ? $draw->open('g', [], "{$name}. ".implode('; ', $said))
            : $draw->open(
                'a',
                ['href' => $link, 'class' => 'plot-row', 'aria-label' => "{$name}. ".implode('; ', $said)],
            );
        $draw->rect(
            0,
            self::HEAD + self::ROW * $row,
            $this->width(),
            self::ROW,
            ['fill' => 'none', 'pointer-events' => 'all', 'class' => 'plot-hit'],
        );
        $draw->text(4, self::HEAD + self::ROW * ($row + 0.5) + 4, Words::cut($draw, $name, $this->labels - 12));
        foreach ($this->regards as $column => $regard) {
            Disc::draw($draw, $this->at($row, $column), self::R, $regard->level($study));
        }
        $draw->close($link === '' ? 'g' : 'a');
    }

    private function shares(Drawing $draw): void
    {
        $width = $this->width() - $this->labels - 12;
        foreach ($this->regards as $i => $regard) {
            $y = $this->below() + (self::BAR + 10) * $i;
            $draw->text(4, $y + self::BAR - 4, Words::cut($draw, $regard->name, $this->labels - 12));
            $counts = $regard->counts();
            $all = array_sum($counts);
            $x = $this->labels;
            foreach ($regard->scale as $at => $judgement) {
                $part = $all === 0 ? 0.0 : ($width * $counts[$judgement]) / $all;
                if ($part > 0.0) {
                    $draw->rect(
                        $x,
                        $y,
                        $part,
                        self::BAR,
                        ['fill' => $this->fill($at, $regard), 'stroke' => Drawing::ACCENT, 'class' => 'map-sector'],
                    );
                    $isOnInk = $this->fill($at, $regard) === Drawing::ACCENT;
                    $this->number($draw, new Point($x + $part / 2, $y), $part, $counts[$judgement], $isOnInk);
                }
                $x += $part;
            }
            $all === 0 &&
                $draw->text($this->labels, $y + self::BAR - 4, 'nobody has judged it yet', ['fill-opacity' => 0.7]);
        }
    }

    /** How many it is, where a part is wide enough to hold it. */
    private function number(Drawing $draw, Point $at, float $part, int $count, bool $isOnInk): void
    {
        $wide = $draw->widthOf((string) $count) + 6;
        if ($wide > $part) {
            return;
        }
        if (! $isOnInk) {
            $paper = ['class' => 'plot-paper', 'fill' => '#fcfefe'];
            $draw->rect($at->x - $wide / 2, $at->y + 2, $wide, self::BAR - 4, $paper);
        }
        $draw->text(
            $at->x,
            $at->y + self::BAR - 4,
            (string) $count,
            ['text-anchor' => 'middle', 'font-size' => 12, 'fill' => $isOnInk ? '#ffffff' : '#12222c'],
        );
    }

    private function fill(int $at, Judged $regard): string
    {
        return match ($at) {
            0 => 'none',
            count($regard->scale) - 1 => Drawing::ACCENT,
            default => 'url(#between)',
        };
    }

    private function pattern(Drawing $draw): void
    {
        $draw->open('defs');
        $draw->open('pattern', ['id' => 'between', 'width' => 6, 'height' => 6, 'patternUnits' => 'userSpaceOnUse']);
        $draw->path('M0 3h6', ['stroke' => Drawing::ACCENT, 'stroke-width' => 1.6]);
        $draw->close('pattern');
        $draw->close('defs');
    }

    /** The scale and what it does not say, below the bars. */
    public function legend(): Legend
    {
        $names = [...$this->regards[0]->scale ?? [], 'not judged'];
        $y = $this->below() + (self::BAR + 10) * count($this->regards) + 30;

        return Legend::of(new Drawing(), $names, $this->labels, $this->width(), $y, 2 * self::R + 6);
    }

    private function drawLegend(Drawing $draw): void
    {
        $names = $this->legend()->names;
        $worst = count($names) - 2;
        foreach ($names as $at => $name) {
            $x = $name->x - 2 * self::R - 6;
            $at > $worst
                ? $draw->line($x, $name->y - 4, $x + 2 * self::R, $name->y - 4, ['stroke-opacity' => 0.5])
                : Disc::draw($draw, new Point($x + self::R, $name->y - 4), self::R, $at / max(1, $worst));
            $draw->text($name->x, $name->y, $name->text);
        }
    }

    private function about(): string
    {
        $told = array_map(function (Judged $one): string {
            $counts = $one->counts();

            return "{$one->name}: ".implode(', ', array_map(
                fn (string $judgement): string => "{$counts[$judgement]} {$judgement}",
                $one->scale,
            ));
        }, $this->regards);

        return count($this->studies).' studies. '.implode('. ', $told).'.';
    }
}
