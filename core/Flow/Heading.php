<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** The name of a review above a diagram, in two lines at most, whatever the width of the diagram. */
final class Heading
{
    /** Of a bold letter of 16 px, on the generous side. */
    private const CHARACTER = 9.4;

    private const MARGIN = 20;

    /** @param  int  $width  of the whole diagram, in px; the heading takes the upper 40 */
    public static function drawn(string $title, int $width): string
    {
        $lines = Lines::atMost(2, $title, max(8, (int) floor(($width - 2 * self::MARGIN) / self::CHARACTER)));
        $drawn = '';
        foreach ($lines as $i => $words) {
            $drawn .= sprintf(
                '<text x="%d" y="%d" font-size="16" font-weight="bold">%s</text>',
                self::MARGIN,
                count($lines) === 1 ? 28 : 18 + 18 * $i,
                SvgText::escaped($words),
            );
        }

        return $drawn;
    }
}
