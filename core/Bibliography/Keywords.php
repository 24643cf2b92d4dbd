<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * Keywords in one text: parted by semicolons, or where there is none by the bars, dots, lines or \sep that set them apart,
 * or by commas.
 */
final class Keywords
{
    private const APART = '/\s*[|•\r\n]\s*|\s+·\s+|\s*\\\\sep\b\s*/u';

    /** @param  list<string>  $keywords */
    public static function joined(array $keywords): string
    {
        $text = implode('; ', array_map(fn (string $word): string => str_replace(';', ',', $word), $keywords));

        // one keyword with a comma in it must not come back as two
        return count($keywords) === 1 && count(self::split($text)) > 1 ? "{$text};" : $text;
    }

    /** @return list<string> */
    public static function split(string $text): array
    {
        $parts = match (true) {
            str_contains($text, ';') => explode(';', $text),
            preg_match(self::APART, trim($text)) === 1 => preg_split(self::APART, $text) ?: [],
            default => explode(',', $text),
        };

        return array_values(array_filter(array_map(trim(...), $parts), fn (string $word): bool => $word !== ''));
    }
}
