<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** Names beside their signs below a picture, one after the other, in as many lines as it takes. */
final readonly class Legend
{
    /** From one line to the next. */
    private const LINE = 22.0;

    /** Between a name and the next sign. */
    private const GAP = 22.0;

    /** How much of a name is written. */
    private const LONGEST = 300.0;

    /** @param  list<PlacedText>  $names  each as far right of its sign as its room says */
    private function __construct(public array $names, private float $y)
    {
    }

    /**
     * @param  list<string>  $names
     * @param  float  $left  where lines begin
     * @param  float  $right  what they go on to; one name alone may go further
     * @param  float  $y  of the first line
     * @param  float  $room  of a sign, from its left end to its name
     */
    public static function of(Drawing $draw, array $names, float $left, float $right, float $y, float $room): self
    {
        $placed = [];
        $x = $left;
        foreach ($names as $name) {
            $name = Words::cut($draw, $name, self::LONGEST);
            $width = $draw->widthOf($name);
            if ($x > $left && $x + $room + $width > $right) {
                [$x, $y] = [$left, $y + self::LINE];
            }
            $placed[] = new PlacedText($name, $x + $room, $y, $width, $draw->size);
            $x += $room + $width + self::GAP;
        }

        return new self($placed, $y);
    }

    /** Where its last line stands. */
    public function bottom(): float
    {
        return $this->y;
    }

    /** Where its longest line ends. */
    public function right(): float
    {
        return max([0.0, ...array_map(fn (PlacedText $one): float => $one->x + $one->width, $this->names)]);
    }
}
