<?php

namespace Tests\Core;

use SimpleXMLElement;
use WaryHeron\Core\Synthesis\Plot\PlacedText;

/** What an SVG holds, for whoever measures it. */
final class Drawn
{
    /** As wide as a letter of the text is taken to be, of its height. */
    private const CHARACTER = 0.56;

    /** @return list<SimpleXMLElement> what it has at this path; its elements begin with s: */
    public static function at(string $svg, string $path): array
    {
        $xml = new SimpleXMLElement($svg);
        $xml->registerXPathNamespace('s', 'http://www.w3.org/2000/svg');

        return array_values((array) $xml->xpath($path));
    }

    /** @return list<PlacedText> all words in it that are not turned, by the room that they are reckoned to take */
    public static function words(string $svg): array
    {
        $root = self::at($svg, '/s:svg')[0];

        return array_map(function (SimpleXMLElement $one) use ($root): PlacedText {
            $size = (float) ($one['font-size'] ?? $root['font-size']);
            $width = mb_strlen((string) $one) * $size * self::CHARACTER;
            $before = match ((string) $one['text-anchor']) {
                'middle' => $width / 2,
                'end' => $width,
                default => 0.0,
            };

            return new PlacedText((string) $one, (float) $one['x'] - $before, (float) $one['y'], $width, $size);
        }, self::at($svg, '//s:text[not(@transform)]'));
    }

    /** @return list<string> words that reach out of the picture, or over others */
    public static function misplaced(string $svg): array
    {
        $root = self::at($svg, '/s:svg')[0];
        [$right, $bottom] = [(float) $root['width'], (float) $root['height']];
        $wrong = [];
        $words = self::words($svg);
        foreach ($words as $i => $one) {
            if ($one->x < -0.01 || $one->x + $one->width > $right + 0.01 || $one->y - $one->height < -2 || $one->y > $bottom) {
                $wrong[] = "“{$one->text}” leaves the picture";
            }
            foreach (array_slice($words, $i + 1) as $other) {
                $isBeside = $one->x + $one->width <= $other->x || $other->x + $other->width <= $one->x;
                if (! $isBeside && abs($one->y - $other->y) < 0.8 * min($one->height, $other->height)) {
                    $wrong[] = "“{$one->text}” and “{$other->text}” lie on each other";
                }
            }
        }

        return $wrong;
    }

    /**
     * What a place means, read as people read it: by two of the ticks, the others lying where they should.
     *
     * @param  string  $along  x or y
     * @param  string  $anchor  of the words at the ticks
     * @param  float  $below  how much lower the words of a tick stand than it
     * @return \Closure(float): float
     */
    public static function scale(string $svg, string $along, string $anchor, bool $isLog, float $below = 0.0): \Closure
    {
        $ticks = [];
        foreach (self::at($svg, "//s:text[@text-anchor='{$anchor}']") as $one) {
            $told = strtr((string) $one, ['−' => '-']);
            $ticks[] = is_numeric($told) ? [(float) $one[$along] - $below, $isLog ? log((float) $told) : (float) $told] : null;
        }
        $ticks = array_values(array_filter($ticks));
        [$first, $last] = [$ticks[0], $ticks[count($ticks) - 1]];
        $step = ($last[1] - $first[1]) / ($last[0] - $first[0]);
        $read = fn (float $place): float => $first[1] + ($place - $first[0]) * $step;
        foreach ($ticks as [$place, $value]) {
            expect(abs($read($place) - $value))->toBeLessThan(abs(0.03 * $step));
        }

        return $read;
    }

    /** @return list<float> numbers of an attribute, such as of a path */
    public static function numbers(SimpleXMLElement $of, string ...$names): array
    {
        return array_merge(...array_map(function (string $name) use ($of): array {
            preg_match_all('/-?\d+(?:\.\d+)?/', (string) $of[$name], $found);

            return array_map(floatval(...), $found[0]);
        }, $names));
    }
}
