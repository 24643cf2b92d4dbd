<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

use WaryHeron\Core\Synthesis\Distribution\Normal;

/**
 * A funnel plot: estimates across, standard errors down, with contours of p around nothing (Peters et al. 2008) and the
 * lines within which 95% of studies would lie around the common effect.
 */
final readonly class Funnel
{
    private const WIDTH = 420.0;

    private const HEIGHT = 300.0;

    private const LEFT = 58.0;

    private const TOP = 14.0;

    /** How dark the areas between the contours are, from p above 0.1 to p below 0.01. */
    private const CONTOURS = [['p' => 0.01, 'dark' => 0.05], ['p' => 0.05, 'dark' => 0.07], ['p' => 0.1, 'dark' => 0.09]];

    public Axis $axis;

    private float $most;

    /**
     * @param  list<array{label: string, estimate: float, se: float}>  $studies  on the scale of the analysis
     * @param  list<array{label: string, estimate: float, se: float}>  $mirrored  that nobody observed: drawn hollow
     */
    public function __construct(
        public array $studies,
        private ?float $common,
        private ?float $nothing,
        bool $isLog,
        private string $measure,
        private array $mirrored = [],
    ) {
        $this->most = max([1e-9, ...array_column($studies, 'se')]) * 1.06;
        $half = Normal::Z * $this->most;
        $around = $common ?? $nothing ?? 0.0;
        $estimates = array_column([...$studies, ...$mirrored], 'estimate');
        $this->axis = Axis::of(min([$around - $half, ...$estimates]), max([$around + $half, ...$estimates]), $isLog);
    }

    public function x(float $value): float
    {
        return self::LEFT + self::WIDTH * max(0.0, min(1.0, $this->axis->at($value)));
    }

    public function y(float $se): float
    {
        return self::TOP + self::HEIGHT * $se / $this->most;
    }

    public function svg(string $title, bool $isFile = true): string
    {
        $draw = new Drawing(12.0);
        $this->contours($draw);
        $this->axes($draw);
        $this->lines($draw);
        $hollow = ['fill' => 'none', 'stroke' => 'currentColor', 'stroke-dasharray' => '2 2'];
        $full = ['class' => 'plot-box', 'fill' => Drawing::ACCENT, 'stroke' => '#ffffff'];
        foreach ($this->mirrored as $study) {
            $this->point($draw, $study, 4.0, $hollow);
        }
        foreach ($this->studies as $study) {
            $this->point($draw, $study, 4.5, $full);
        }
        $about = count($this->studies)." studies by {$this->measure} and standard error.".
            ($this->mirrored === [] ? '' : ' '.count($this->mirrored).' mirrored ones are hollow.');

        return $draw->svg(self::LEFT + self::WIDTH + 20, self::TOP + self::HEIGHT + 46, $title, $about, $isFile);
    }

    /** The common effect, and within which 95% would lie. */
    private function lines(Drawing $draw): void
    {
        if ($this->common === null) {
            return;
        }
        $half = Normal::Z * $this->most;
        $looks = [['stroke-dasharray' => '4 3'], ...array_fill(0, 2, ['stroke-dasharray' => '2 3', 'opacity' => 0.7])];
        foreach ([0.0, -$half, $half] as $i => $off) {
            $draw->line(
                $this->x($this->common),
                $this->y(0),
                $this->x($this->common + $off),
                $this->y($this->most),
                $looks[$i],
            );
        }
    }

    /**
     * @param  array{label: string, estimate: float, se: float}  $study
     * @param  array<string, string>  $look
     */
    private function point(Drawing $draw, array $study, float $radius, array $look): void
    {
        $draw->open('g', [], $study['label']);
        $draw->circle($this->x($study['estimate']), $this->y($study['se']), $radius, $look);
        $draw->close('g');
    }

    private function contours(Drawing $draw): void
    {
        if ($this->nothing === null) {
            return;
        }
        foreach (self::CONTOURS as ['p' => $p, 'dark' => $dark]) {
            $z = Normal::quantile(1 - $p / 2);
            $points = [...$this->edge($this->nothing, -$z), ...array_reverse($this->edge($this->nothing, $z))];
            $drawn = array_map(
                fn (Point $one): string => Drawing::n($one->x).' '.Drawing::n($one->y),
                [new Point($this->x($this->nothing), $this->y(0)), ...$points],
            );
            $draw->path('M'.implode('L', $drawn).'z', ['fill' => 'currentColor', 'opacity' => $dark]);
        }
    }

    /**
     * Where a line of so many standard errors from a value leaves the picture: at the bottom, or at a side and then down
     * along it, so that its slope stays what it is.
     *
     * @return list<Point> from above
     */
    private function edge(float $from, float $z): array
    {
        $end = $z < 0 ? $this->axis->low : $this->axis->high;
        $se = ($end - $from) / $z;
        $bottom = new Point($this->x($from + $z * $this->most), $this->y($this->most));

        return $se > 0.0 && $se < $this->most ? [new Point($this->x($end), $this->y($se)), $bottom] : [$bottom];
    }

    private function axes(Drawing $draw): void
    {
        $bottom = $this->y($this->most);
        $draw->line(self::LEFT, $bottom, self::LEFT + self::WIDTH, $bottom, ['opacity' => 0.5]);
        $draw->line(self::LEFT, self::TOP, self::LEFT, $bottom, ['opacity' => 0.5]);
        foreach ($this->axis->ticks as $tick) {
            $x = self::LEFT + self::WIDTH * $this->axis->atShown($tick);
            $draw->text($x, $bottom + 16, $this->axis->label($tick), ['text-anchor' => 'middle', 'opacity' => 0.75]);
        }
        foreach (Axis::of(0.0, $this->most, false)->ticks as $tick) {
            $draw->text(self::LEFT - 6, $this->y($tick) + 4, $this->axis->label($tick), ['text-anchor' => 'end', 'opacity' => 0.75]);
        }
        $measure = Words::cut($draw, $this->measure, self::WIDTH);
        $draw->text(self::LEFT + self::WIDTH / 2, $bottom + 36, $measure, ['text-anchor' => 'middle']);
        $draw->text(self::LEFT + 4, self::TOP + 10, 'standard error ↓', ['opacity' => 0.75]);
    }
}
