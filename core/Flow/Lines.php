<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** Words in lines of so many characters at most, broken at blanks, or within a word that is longer than a line. */
final class Lines
{
    /** @return non-empty-list<string> */
    public static function of(string $words, int $fits): array
    {
        preg_match_all("/\\G *(.{1,{$fits}}(?= |$)|.{{$fits}}|.+$)/u", $words, $found);

        return $found[1] === [] ? [$words] : $found[1];
    }

    /**
     * As many lines as there is room for; what does not fit is cut with a sign.
     *
     * @return non-empty-list<string>
     */
    public static function atMost(int $lines, string $words, int $fits): array
    {
        $all = self::of($words, $fits);
        if (count($all) <= $lines) {
            return $all;
        }
        $last = mb_substr($all[$lines - 1], 0, $fits - 1).'…';

        return [...array_slice($all, 0, $lines - 1), $last];
    }
}
