<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How alike two short strings are (Jaro 1989, with Winkler's weight for a common beginning, 1990). */
final class JaroWinkler
{
    private const BEGINNING = 4;

    private const SCALE = 0.1;

    /** 0 (nothing in common) to 1 (equal), of byte strings. */
    public static function similarity(string $a, string $b): float
    {
        if ($a === $b) {
            return 1.0;
        }
        $lengths = [strlen($a), strlen($b)];
        $window = max(0, intdiv(max($lengths), 2) - 1);
        $used = str_repeat("\0", $lengths[1]);
        $matchedA = '';
        for ($i = 0; $i < $lengths[0]; $i++) {
            for ($j = max(0, $i - $window), $end = min($lengths[1] - 1, $i + $window); $j <= $end; $j++) {
                if ($used[$j] === "\0" && $a[$i] === $b[$j]) {
                    $used[$j] = "\1";
                    $matchedA .= $a[$i];
                    break;
                }
            }
        }
        $matches = strlen($matchedA);
        if ($matches === 0) {
            return 0.0;
        }
        $moved = 0;
        for ($j = 0, $at = 0; $j < $lengths[1]; $j++) {
            if ($used[$j] === "\1") {
                $moved += $matchedA[$at++] === $b[$j] ? 0 : 1;
            }
        }
        $jaro = ($matches / $lengths[0] + $matches / $lengths[1] + ($matches - $moved / 2) / $matches) / 3;
        for ($common = 0; $common < min(self::BEGINNING, ...$lengths) && $a[$common] === $b[$common]; $common++);

        return $jaro + $common * self::SCALE * (1 - $jaro);
    }
}
