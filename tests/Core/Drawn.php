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
}
