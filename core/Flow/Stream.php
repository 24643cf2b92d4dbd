<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * The Waterline's shape: how wide the stream is at each stage.
 *
 * Width grows with the square root of the count, so that 12 studies out of 2,000 records are still seen and 1,400 out
 * of 1,900 are seen to be fewer; a stage with nothing in it has the least width.
 */
final readonly class Stream
{
    /** @param  list<array{x: float, width: float, height: float}>  $reaches in user units, one a stage */
    private function __construct(public array $reaches, public float $deepest)
    {
    }

    /**
     * @param  list<?int>  $counts  what is left at each stage; null where the stage has no count of its own and takes
     *     the one before
     */
    public static function through(array $counts, float $width, float $deepest = 28.0, float $shallowest = 2.0): self
    {
        $most = max([1, ...array_map(fn (?int $n): int => $n ?? 0, $counts)]);
        $step = $width / max(1, count($counts));
        $known = array_values(array_filter($counts, fn (?int $n): bool => $n !== null));
        $last = $known[0] ?? 0;
        $reaches = [];
        foreach ($counts as $i => $count) {
            $last = $count ?? $last;
            $reaches[] = [
                'x' => round($i * $step, 2),
                'width' => round($step, 2),
                'height' => round(
                    $last <= 0 ? $shallowest : $shallowest + ($deepest - $shallowest) * ($last / $most) ** 0.5,
                    2,
                ),
            ];
        }

        return new self($reaches, $deepest);
    }

    /**
     * The outline as SVG path data, from the top edge down to the bed and back, each step eased over a fifth of a
     * reach.
     */
    public function outline(): string
    {
        $end = $this->reaches[count($this->reaches) - 1];
        $path = 'M0 0H'.($end['x'] + $end['width']).'V'.$end['height'];
        for ($i = count($this->reaches) - 1; $i > 0; $i--) {
            $x = $this->reaches[$i]['x'];
            $ease = $this->reaches[$i]['width'] / 10;
            $path .= sprintf(
                'H%.2fC%.2f %.2f %.2f %.2f %.2f %.2f',
                $x + $ease,
                $x,
                $this->reaches[$i]['height'],
                $x,
                $this->reaches[$i - 1]['height'],
                $x - $ease,
                $this->reaches[$i - 1]['height'],
            );
        }

        return $path.'H0Z';
    }
}
