<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

use WaryHeron\Core\Synthesis\Distribution\PointEstimate;

/** An axis of a plot: which part of the scale it shows, where its ticks stand, and where a value lies on it. */
final readonly class Axis
{
    private const MOST = 7;

    /** @param  list<float>  $ticks  on the scale shown */
    private function __construct(
        public float $low,
        public float $high,
        public bool $isLog,
        public array $ticks,
    ) {
    }

    /**
     * @param  float  $low  on the scale of the analysis: logs where $isLog
     * @param  float  $high  above $low
     */
    public static function of(float $low, float $high, bool $isLog): self
    {
        $ticks = $isLog ? self::logTicks($low, $high) : self::linearTicks($low, $high);

        return new self($low, $high, $isLog, $ticks);
    }

    /**
     * That holds all estimates and most of their intervals: a few very wide ones are cut, so that the others can be
     * told apart.
     *
     * @param  list<PointEstimate>  $intervals
     * @param  list<PointEstimate>  $whole  of which nothing is cut, such as the pooled ones
     */
    public static function holding(array $intervals, array $whole, bool $isLog, ?float $nothing): self
    {
        $all = [...$intervals, ...$whole];
        [$lows, $highs] = [array_column($all, 'low'), array_column($all, 'high')];
        $ends = [...array_column($whole, 'low'), ...array_column($whole, 'high')];
        $sure = [...array_column($all, 'estimate'), ...$ends, ...$nothing === null ? [] : [$nothing]];
        sort($lows);
        sort($highs);
        // of three or four nothing is cut; of more, what lies half a width beyond where nine in ten ends lie
        $part = count($intervals) < 5 ? 0.0 : 0.1;
        [$from, $to] = [self::quantile($lows, $part), self::quantile($highs, 1 - $part)];
        $low = min([max($lows[0] ?? 0.0, $from - ($to - $from) / 2), ...$sure]);
        $high = max([min($highs[count($highs) - 1] ?? 0.0, $to + ($to - $from) / 2), ...$sure]);
        $room = max($high - $low, 1e-9) * 0.04;

        return self::of($low - $room, $high + $room, $isLog);
    }

    /** From 0 at the left end to 1 at the right one, beyond them where the value is. */
    public function at(float $value): float
    {
        return ($value - $this->low) / ($this->high - $this->low);
    }

    /** Of a value on the scale shown. */
    public function atShown(float $shown): float
    {
        return $this->at($this->isLog ? log($shown) : $shown);
    }

    public function label(float $tick): string
    {
        $text = rtrim(rtrim(sprintf('%.6f', $tick), '0'), '.');

        return str_replace('-', "\u{2212}", $text === '-0' ? '0' : $text);
    }

    /** @param  list<float>  $sorted */
    private static function quantile(array $sorted, float $part): float
    {
        return $sorted === [] ? 0.0 : $sorted[(int) round($part * (count($sorted) - 1))];
    }

    /** @return list<float> */
    private static function linearTicks(float $low, float $high): array
    {
        $step = self::niceStep(($high - $low) / self::MOST);
        $ticks = [];
        for ($i = (int) ceil($low / $step - 1e-9); $i * $step <= $high + 1e-9 * $step; $i++) {
            $ticks[] = $i * $step;
        }

        return $ticks;
    }

    /** @return list<float> 1, 2 and 5 times powers of ten, or fewer of them; evenly stepped where the axis is short */
    private static function logTicks(float $low, float $high): array
    {
        foreach ([[1, 2, 5], [1, 3], [1]] as $digits) {
            $ticks = self::decades($low, $high, $digits);
            if (count($ticks) <= self::MOST) {
                return count($ticks) >= 3 ? $ticks : self::evenly($low, $high);
            }
        }
        $ticks = self::decades($low, $high, [1]);
        $each = (int) ceil(count($ticks) / self::MOST);

        return array_values(array_filter(
            $ticks,
            fn (float $tick): bool => (int) round(log10($tick)) % $each === 0,
        ));
    }

    /** @return list<float> */
    private static function evenly(float $low, float $high): array
    {
        return array_values(array_filter(self::linearTicks(exp($low), exp($high)), fn (float $tick): bool => $tick > 0));
    }

    /**
     * @param  list<int>  $digits
     * @return list<float>
     */
    private static function decades(float $low, float $high, array $digits): array
    {
        $ticks = [];
        for ($power = (int) floor($low / M_LN10) - 1; $power <= (int) ceil($high / M_LN10); $power++) {
            foreach ($digits as $digit) {
                $tick = $digit * 10.0 ** $power;
                if (log($tick) >= $low && log($tick) <= $high) {
                    $ticks[] = $tick;
                }
            }
        }

        return $ticks;
    }

    /** 1, 2 or 5 times a power of ten, at least as large. */
    private static function niceStep(float $least): float
    {
        $power = 10.0 ** floor(log10($least));
        foreach ([1, 2, 5, 10] as $times) {
            if ($times * $power >= $least * (1 - 1e-9)) {
                return $times * $power;
            }
        }

        return 10 * $power;
    }
}
