<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

use WaryHeron\Core\Synthesis\Distribution\PointEstimate;

/**
 * A forest plot: its geometry as numbers, and drawn. Boxes are as large in area as their weights; intervals beyond the
 * axis are cut with an arrow; a diamond is as wide as the interval of its pooled estimate, with the bar beneath it where
 * a new study may fall.
 */
final readonly class Forest
{
    private const PLOT = 230.0;

    /** The name of a column has this room. */
    private const HEAD = 150.0;

    private const GAP = 14.0;

    private const LABEL = 220.0;

    private const EDGE = 12.0;

    /** @var list<float> */
    private array $columnWidths;

    private float $labelWidth;

    private float $shownWidth;

    private float $rowHeight;

    private Drawing $draw;

    private bool $isLog;

    /** The greatest weight. */
    private float $most;

    public Axis $axis;

    /**
     * @param  list<ForestLine>  $lines  from above
     * @param  list<string>  $heads  of the columns
     * @param  string  $measure  at the head of the estimates
     * @param  ?float  $nothing  where nothing differs, on the scale of the analysis
     * @param  string  $judgedBy  in what regard studies were judged; empty where marks are not shown
     * @param  ?self  $like  the whole of which this is a page: one axis, one width, and boxes to be compared across pages
     */
    public function __construct(
        public array $lines,
        private array $heads,
        private string $measure,
        bool $isLog,
        private ?float $nothing,
        private Favours $favours = new Favours(),
        private string $judgedBy = '',
        ?self $like = null,
    ) {
        if ($like !== null) {
            $this->isLog = $like->isLog;
            $this->axis = $like->axis;
            $this->draw = $like->draw;
            $this->rowHeight = $like->rowHeight;
            $this->labelWidth = $like->labelWidth;
            $this->columnWidths = $like->columnWidths;
            $this->shownWidth = $like->shownWidth;
            $this->most = $like->most;

            return;
        }
        $this->isLog = $isLog;
        $this->most = max([1e-9, ...array_map(fn (ForestLine $one): float => $one->weight, $lines)]);
        $this->axis = Axis::holding(
            $this->intervals(ForestLine::STUDY),
            $this->intervals(ForestLine::POOLED),
            $isLog,
            $nothing,
        );
        $this->draw = new Drawing(count($lines) > 70 ? 11.0 : 13.0);
        $this->rowHeight = $this->draw->size * (count($lines) > 70 ? 1.55 : 1.95);
        $this->labelWidth = min(self::LABEL, max([60.0, ...array_map(fn (ForestLine $one): float => $one->kind === ForestLine::STUDY
            ? $this->draw->widthOf($one->label)
            : 0.0, $lines)]));
        $this->columnWidths = $this->widths();
        $this->shownWidth = max([
            $this->draw->widthOf("{$measure} (95% CI)"),
            ...array_map(fn (ForestLine $one): float => $this->draw->widthOf($one->shown, isBold: true), $lines),
        ]);
    }

    /**
     * In pages for print, each with its own head and scale. A subgroup's name never stands last on a page, nor its total
     * first.
     *
     * @param  int  $most  lines on a page
     * @return list<self> itself where it fits
     */
    public function pages(int $most): array
    {
        if (count($this->lines) <= $most) {
            return [$this];
        }
        $pages = [];
        $from = 0;
        while ($from < count($this->lines)) {
            $to = min(count($this->lines), $from + $most);
            while ($to < count($this->lines) && $to > $from + 2 && $this->staysTogether($to)) {
                $to--;
            }
            $pages[] = $this->with(array_slice($this->lines, $from, $to - $from));
            $from = $to;
        }

        return $pages;
    }

    /** Whether no page may break before this line. */
    private function staysTogether(int $line): bool
    {
        return $this->lines[$line]->kind === ForestLine::POOLED || $this->lines[$line - 1]->kind === ForestLine::HEAD;
    }

    /** @param  list<ForestLine>  $lines */
    private function with(array $lines): self
    {
        return new self(
            $lines,
            $this->heads,
            $this->measure,
            $this->isLog,
            $this->nothing,
            $this->favours,
            $this->judgedBy,
            $this,
        );
    }

    public function left(): float
    {
        return self::EDGE +
            $this->labelWidth +
            self::GAP +
            array_sum($this->columnWidths) +
            self::GAP * count($this->columnWidths);
    }

    public function width(): float
    {
        return $this->left() + self::PLOT + self::GAP + $this->shownWidth + self::EDGE + $this->markWidth();
    }

    public function height(): float
    {
        return $this->bottom() + ($this->judgedBy === '' ? 3.6 : 5.1) * $this->draw->size + self::EDGE;
    }

    /** The middle of a line. */
    public function y(int $line): float
    {
        return self::EDGE + 2.3 * $this->draw->size + ($line + 0.5) * $this->rowHeight;
    }

    /** Of a value on the scale of the analysis; beyond the axis it is at its end. */
    public function x(float $value): float
    {
        return $this->left() + self::PLOT * max(0.0, min(1.0, $this->axis->at($value)));
    }

    /** Half the side of a box of this weight. */
    public function half(float $weight): float
    {
        return max(1.5, sqrt(max(0.0, $weight) / $this->most) * $this->draw->size * 0.5);
    }

    /** @return list<PlacedText> where words stand, for whoever checks that none overlap */
    public function labels(): array
    {
        $labels = [];
        foreach ($this->lines as $i => $line) {
            if ($line->kind !== ForestLine::STUDY) {
                continue;
            }
            foreach ([$this->labelOf($line), ...$line->columns, $line->shown] as $at => $text) {
                $isShown = $at === count($line->columns) + 1;
                $x = $at === 0 ? self::EDGE : ($isShown ? $this->right() : $this->columnAt($at - 1));
                $width = $this->draw->widthOf($text, isBold: $isShown);
                $left = $isShown ? $x - $width : $x;
                $labels[] = new PlacedText($text, $left, $this->y($i), $width, $this->draw->size);
            }
        }

        return $labels;
    }

    /** @param  array<string, string>  $links  addresses by the key of a line */
    public function svg(string $title, bool $isFile = true, string $chosen = '', array $links = []): string
    {
        $draw = new Drawing($this->draw->size);
        $this->heads($draw);
        $this->scale($draw);
        foreach ($this->lines as $i => $line) {
            $this->drawn($draw, $i, $line, $chosen, $links[$line->key] ?? '');
        }

        return $draw->svg($this->width(), $this->height(), $title, $this->about(), $isFile, $links !== []);
    }

    private function bottom(): float
    {
        return $this->y(count($this->lines)) - $this->rowHeight / 2;
    }

    /** Where the estimates end, before the marks. */
    private function right(): float
    {
        return $this->width() - self::EDGE - $this->markWidth();
    }

    private function markWidth(): float
    {
        return $this->judgedBy === '' ? 0.0 : self::GAP + 2 * $this->draw->size;
    }

    /** The middle of a line's mark. */
    public function markAt(int $line): Point
    {
        return new Point($this->width() - self::EDGE - $this->draw->size, $this->y($line));
    }

    private function columnAt(int $column): float
    {
        return self::EDGE +
            $this->labelWidth +
            self::GAP +
            array_sum(array_slice($this->columnWidths, 0, $column)) +
            self::GAP * $column;
    }

    /** @return list<ForestLine> */
    private function of(string $kind): array
    {
        return array_values(array_filter($this->lines, fn (ForestLine $one): bool => $one->kind === $kind));
    }

    /** @return list<PointEstimate> */
    private function intervals(string $kind): array
    {
        return array_values(array_filter(array_map(fn (ForestLine $one): ?PointEstimate => $one->interval, $this->of($kind))));
    }

    /** @return list<float> */
    private function widths(): array
    {
        $studies = $this->of(ForestLine::STUDY);
        $widths = [];
        foreach ($this->heads as $i => $head) {
            $texts = array_map(fn (ForestLine $one): string => $one->columns[$i] ?? '', $studies);
            $texts[] = $this->headOf($head);
            $widths[] = max(array_map(fn (string $text): float => $this->draw->widthOf($text), $texts));
        }

        return $widths;
    }

    /** In the room that there is: before its columns, before the plot, or, of mere words, before the right end. */
    private function labelOf(ForestLine $line): string
    {
        $room = match ($line->kind) {
            ForestLine::STUDY => $this->labelWidth,
            ForestLine::POOLED => ($this->left() - self::EDGE - self::GAP) / Drawing::BOLD,
            ForestLine::HEAD => ($this->right() - self::EDGE) / Drawing::BOLD,
            default => $this->right() - self::EDGE,
        };

        return Words::cut($this->draw, $line->label, $room);
    }

    /** The name of a column, which is no wider than a number of a study needs. */
    private function headOf(string $head): string
    {
        return Words::cut($this->draw, $head, self::HEAD);
    }

    private function heads(Drawing $draw): void
    {
        $y = self::EDGE + $draw->size;
        $soft = ['opacity' => 0.7];
        $draw->text(self::EDGE, $y, 'Study', $soft);
        foreach ($this->heads as $i => $head) {
            $draw->text($this->columnAt($i), $y, $this->headOf($head), $soft);
        }
        $draw->text($this->right(), $y, "{$this->measure} (95% CI)", [...$soft, 'text-anchor' => 'end']);
        $draw->line(self::EDGE, $y + 0.7 * $draw->size, $this->right(), $y + 0.7 * $draw->size, ['opacity' => 0.3]);
    }

    private function scale(Drawing $draw): void
    {
        [$top, $bottom] = [$this->y(0) - $this->rowHeight / 2, $this->bottom()];
        foreach ($this->axis->ticks as $tick) {
            $x = $this->left() + self::PLOT * $this->axis->atShown($tick);
            $draw->line($x, $top, $x, $bottom, ['opacity' => 0.25, 'stroke-dasharray' => '2 3']);
            $draw->text(
                $x,
                $bottom + 1.3 * $draw->size,
                $this->axis->label($tick),
                ['text-anchor' => 'middle', 'opacity' => 0.7],
            );
        }
        if ($this->judgedBy !== '') {
            $room = $this->right() - self::EDGE;
            $words = Words::cut($draw, "Discs: {$this->judgedBy}, the fuller the worse", $room);
            $draw->text(self::EDGE, $bottom + 4.4 * $draw->size, $words, ['opacity' => 0.8]);
        }
        if ($this->nothing !== null) {
            $x = $this->x($this->nothing);
            $draw->line($x, $top, $x, $bottom, ['opacity' => 0.55]);
            $y = $bottom + 2.9 * $draw->size;
            $arrow = $draw->widthOf('← ');
            $left = Words::cut($draw, $this->favours->left, $x - 8 - self::EDGE - $arrow);
            $right = Words::cut($draw, $this->favours->right, $this->width() - $x - 8 - self::EDGE - $arrow);
            $draw->text($x - 8, $y, $left === '' ? '' : "← {$left}", ['text-anchor' => 'end', 'opacity' => 0.8]);
            $draw->text($x + 8, $y, $right === '' ? '' : "{$right} →", ['opacity' => 0.8]);
        }
    }

    private function drawn(Drawing $draw, int $i, ForestLine $line, string $chosen, string $link): void
    {
        if ($line->kind === ForestLine::STUDY) {
            $this->studyDrawn($draw, $i, $line, $chosen, $link);

            return;
        }
        $y = $this->y($i);
        if ($line->kind === ForestLine::POOLED && $i === count($this->lines) - 1) {
            $above = $y - $this->rowHeight / 2;
            $draw->line(self::EDGE, $above, $this->right(), $above, ['opacity' => 0.6]);
        }
        $isBold = $line->kind !== ForestLine::WORDS;
        $this->words($draw, $i, $line, $isBold ? ['font-weight' => 'bold'] : ['opacity' => 0.8]);
        if ($line->interval !== null) {
            $this->diamond($draw, $y, $line, $line->interval);
        }
    }

    private function studyDrawn(Drawing $draw, int $i, ForestLine $line, string $chosen, string $link): void
    {
        $y = $this->y($i);
        $link === ''
            ? $draw->open('g', ['class' => 'plot-row'], $line->label)
            : $draw->open('a', ['class' => 'plot-row', 'href' => $link]);
        $draw->rect(0, $y - $this->rowHeight / 2, $this->width(), $this->rowHeight, [
            'class' => $line->key !== '' && $line->key === $chosen ? 'plot-back plot-chosen' : 'plot-back',
            'fill' => 'none',
            'pointer-events' => 'all',
        ]);
        $this->words($draw, $i, $line, []);
        if ($line->interval !== null) {
            $this->box($draw, $y, $line, $line->interval);
        }
        if ($this->judgedBy !== '') {
            Disc::draw($draw, $this->markAt($i), min(8.0, $this->rowHeight * 0.34), $line->judged);
        }
        $draw->close($link === '' ? 'g' : 'a');
    }

    /** @param  array<string, string|float>  $as  how its label is drawn; bold ones are bold to the end */
    private function words(Drawing $draw, int $i, ForestLine $line, array $as): void
    {
        $base = $this->y($i) + 0.36 * $draw->size;
        $draw->text(self::EDGE, $base, $this->labelOf($line), $as);
        foreach ($line->columns as $at => $text) {
            $draw->text($this->columnAt($at), $base, $text);
        }
        $bold = array_intersect_key($as, ['font-weight' => true]);
        $draw->text($this->right(), $base, $line->shown, ['text-anchor' => 'end', ...$bold]);
    }

    private function box(Drawing $draw, float $y, ForestLine $line, PointEstimate $of): void
    {
        $draw->line($this->x($of->low), $y, $this->x($of->high), $y, ['stroke-width' => 1.3]);
        $this->cuts($draw, $of->low, $of->high, $y);
        $half = $this->half($line->weight);
        $draw->rect(
            $this->x($of->estimate) - $half,
            $y - $half,
            2 * $half,
            2 * $half,
            ['class' => 'plot-box', 'fill' => Drawing::ACCENT],
        );
    }

    /** An arrow at each end that lies beyond the axis. */
    private function cuts(Drawing $draw, float $low, float $high, float $y): void
    {
        foreach ([[$low, -1], [$high, 1]] as [$end, $way]) {
            $isCut = $way < 0 ? $end < $this->axis->low : $end > $this->axis->high;
            if ($isCut) {
                $x = $this->x($end);
                $draw->path(
                    sprintf('M%s %sl%d -4v8z', Drawing::n($x + 2 * $way), Drawing::n($y), -7 * $way),
                    ['class' => 'plot-cut'],
                );
            }
        }
    }

    private function diamond(Drawing $draw, float $y, ForestLine $line, PointEstimate $of): void
    {
        $half = $this->rowHeight * 0.3;
        $points = [
            [$this->x($of->low), $y],
            [$this->x($of->estimate), $y - $half],
            [$this->x($of->high), $y],
            [$this->x($of->estimate), $y + $half],
        ];
        $draw->path('M'.implode('L', array_map(fn (array $p): string => Drawing::n($p[0]).' '.Drawing::n($p[1]), $points)).'z', [
            'class' => 'plot-diamond',
        ]);
        if ($line->prediction !== null) {
            [$low, $high] = $line->prediction;
            [$from, $to] = [$this->x($low), $this->x($high)];
            $draw->rect(
                $from,
                $y + $half + 2,
                max(1.0, $to - $from),
                3,
                ['class' => 'plot-prediction', 'fill' => Drawing::SOFT],
            );
            $this->cuts($draw, $low, $high, $y + $half + 3.5);
        }
    }

    /** For who cannot see it. */
    private function about(): string
    {
        $lines = array_filter(
            $this->lines,
            fn (ForestLine $one): bool => $one->shown !== '' || $one->kind === ForestLine::HEAD,
        );

        $marks = $this->judgedBy === '' ? '' : "Marks: {$this->judgedBy}, the fuller the worse. ";

        return "{$this->measure} with 95% intervals. {$marks}".
            implode('; ', array_map(fn (ForestLine $one): string => trim("{$one->label} {$one->shown}"), $lines)).'.';
    }
}
