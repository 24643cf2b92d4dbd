<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** Words that have to fit into a width. */
final class Words
{
    /** @return non-empty-list<string> in so many lines at most; what does not fit is cut with a sign */
    public static function wrapped(Drawing $draw, string $text, float $width, int $lines): array
    {
        $fitting = [];
        $rest = $text;
        while (count($fitting) < $lines - 1 && $draw->widthOf($rest) > $width) {
            $fits = max(6, (int) floor($width / $draw->widthOf('x')));
            $cut = mb_strrpos(mb_substr($rest, 0, $fits + 1), ' ') ?: $fits;
            $fitting[] = trim(mb_substr($rest, 0, $cut));
            $rest = trim(mb_substr($rest, $cut));
        }

        return [...$fitting, self::cut($draw, $rest, $width)];
    }

    public static function cut(Drawing $draw, string $text, float $width): string
    {
        $fits = max(6, (int) floor($width / $draw->widthOf('x')));

        return mb_strlen($text) > $fits ? rtrim(mb_substr($text, 0, $fits - 1)).'…' : $text;
    }
}
