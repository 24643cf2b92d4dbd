<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** A regression on one moderator: a disc for each study, as large in area as its weight, and the line. */
final readonly class BubblePlot
{
    private const WIDTH = 420.0;

    private const HEIGHT = 280.0;

    private const LEFT = 58.0;

    private const TOP = 14.0;

    private const RADIUS = 15.0;

    public Axis $across;

    public Axis $up;

    /**
     * @param  list<array{label: string, x: float, estimate: float, weight: float}>  $points  estimates on the scale of
     *     the analysis
     * @param  \Closure(float): float  $line
     */
    public function __construct(
        public array $points,
        private \Closure $line,
        private string $moderator,
        private string $measure,
        bool $isLog,
    ) {
        $x = array_column($points, 'x') ?: [0.0];
        $room = max(1e-3 * max(1.0, abs(max($x))), (max($x) - min($x)) * 0.08);
        $this->across = Axis::of(min($x) - $room, max($x) + $room, false);
        $y = [...array_column($points, 'estimate'), ($line)($this->across->low), ($line)($this->across->high)];
        $height = max(1e-3, (max($y) - min($y)) * 0.12);
        $this->up = Axis::of(min($y) - $height, max($y) + $height, $isLog);
    }

    public function x(float $value): float
    {
        return self::LEFT + self::WIDTH * $this->across->at($value);
    }

    public function y(float $estimate): float
    {
        return self::TOP + self::HEIGHT * (1 - $this->up->at($estimate));
    }

    public function svg(string $title, bool $isFile = true): string
    {
        $draw = new Drawing(12.0);
        $bottom = self::TOP + self::HEIGHT;
        $this->scales($draw, $bottom);
        [$from, $to] = [$this->across->low, $this->across->high];
        $draw->line(
            $this->x($from),
            $this->y(($this->line)($from)),
            $this->x($to),
            $this->y(($this->line)($to)),
            ['stroke-width' => 1.8],
        );
        $this->bubbles($draw);
        $moderator = Words::cut($draw, $this->moderator, self::WIDTH);
        $draw->text(self::LEFT + self::WIDTH / 2, $bottom + 36, $moderator, ['text-anchor' => 'middle']);
        $measure = Words::cut($draw, $this->measure, self::WIDTH);
        $draw->text(self::LEFT + 4, self::TOP + 10, $measure, ['opacity' => 0.75]);
        $studies = count($this->points);
        $about = "{$studies} studies by {$this->moderator} and {$this->measure}, with the line of the regression.";

        return $draw->svg(self::LEFT + self::WIDTH + 20, $bottom + 46, $title, $about, $isFile);
    }

    private function scales(Drawing $draw, float $bottom): void
    {
        $right = self::LEFT + self::WIDTH;
        $draw->line(self::LEFT, $bottom, $right, $bottom, ['opacity' => 0.5]);
        $draw->line(self::LEFT, self::TOP, self::LEFT, $bottom, ['opacity' => 0.5]);
        $soft = fn (string $anchor): array => ['text-anchor' => $anchor, 'opacity' => 0.75];
        foreach ($this->across->ticks as $tick) {
            $draw->text($this->x($tick), $bottom + 16, $this->across->label($tick), $soft('middle'));
        }
        foreach ($this->up->ticks as $tick) {
            $y = self::TOP + self::HEIGHT * (1 - $this->up->atShown($tick));
            $draw->text(self::LEFT - 6, $y + 4, $this->up->label($tick), $soft('end'));
            $draw->line(self::LEFT, $y, $right, $y, ['opacity' => 0.15]);
        }
    }

    private function bubbles(Drawing $draw): void
    {
        $most = max([1e-9, ...array_column($this->points, 'weight')]);
        foreach ($this->points as $point) {
            $radius = max(2.0, self::RADIUS * sqrt($point['weight'] / $most));
            $draw->open('g', [], $point['label']);
            $draw->circle($this->x($point['x']), $this->y($point['estimate']), $radius, [
                'class' => 'plot-box',
                'fill' => Drawing::ACCENT,
                'fill-opacity' => 0.55,
                'stroke' => Drawing::ACCENT,
            ]);
            $draw->close('g');
        }
    }
}
