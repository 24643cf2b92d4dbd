<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Keywords in one line of text: parted by semicolons, or by commas where there is no semicolon. */
final class Keywords
{
    /** @param  list<string>  $keywords */
    public static function joined(array $keywords): string
    {
        $text = implode('; ', array_map(fn (string $word): string => str_replace(';', ',', $word), $keywords));

        // one keyword with a comma in it must not come back as two
        return count($keywords) === 1 && str_contains($text, ',') ? "{$text};" : $text;
    }

    /** @return list<string> */
    public static function split(string $text): array
    {
        $parts = explode(str_contains($text, ';') ? ';' : ',', $text);

        return array_values(array_filter(array_map(trim(...), $parts), fn (string $word): bool => $word !== ''));
    }
}
