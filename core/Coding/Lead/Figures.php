<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** Numbers in running text, in figures or in words. */
final class Figures
{
    private const ONES = [
        'one' => 1,
        'two' => 2,
        'three' => 3,
        'four' => 4,
        'five' => 5,
        'six' => 6,
        'seven' => 7,
        'eight' => 8,
        'nine' => 9,
        'ten' => 10,
        'eleven' => 11,
        'twelve' => 12,
        'thirteen' => 13,
        'fourteen' => 14,
        'fifteen' => 15,
        'sixteen' => 16,
        'seventeen' => 17,
        'eighteen' => 18,
        'nineteen' => 19,
        'twenty' => 20,
        'thirty' => 30,
        'forty' => 40,
        'fifty' => 50,
        'sixty' => 60,
        'seventy' => 70,
        'eighty' => 80,
        'ninety' => 90,
        'hundred' => 100,
        'thousand' => 1000,
    ];

    private const WORD = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|hundred|thousand)';

    /** A number as a pattern, in figures with or without marks at thousands, or in words. */
    public const PATTERN =
        '(?:\d{1,3}(?:[,\x{202F}\x{2009}]\d{3})+|\d{1,3}(?:[ \x{A0}]\d{3})+(?![\d.,]?\d)|\d+(?:[.·]\d+)?|'.
        self::WORD.
        '(?:(?:[\s-]|\sand\s)'.
        self::WORD.
        ')*)';

    public static function value(string $text): ?float
    {
        $text = mb_strtolower(trim($text));
        $plain = (string) preg_replace(
            '/(?<=\d)[, \x{A0}\x{202F}\x{2009}](?=\d{3}(?!\d))/u',
            '',
            strtr($text, ['·' => '.', '−' => '-', '–' => '-']),
        );
        if (is_numeric($plain)) {
            return (float) $plain;
        }
        $sum = $part = 0;
        foreach (preg_split('/[\s-]+/', $text) ?: [] as $word) {
            $number = self::ONES[$word] ?? null;
            if ($word === 'and') {
                continue;
            }
            if ($number === null) {
                return null;
            }
            if ($number === 100) {
                $part = max(1, $part) * 100;
            } elseif ($number === 1000) {
                [$sum, $part] = [$sum + max(1, $part) * 1000, 0];
            } else {
                $part += $number;
            }
        }

        return (float) ($sum + $part);
    }

    /** As an answer writes it. */
    public static function told(float $value): string
    {
        return rtrim(rtrim(number_format($value, 2, '.', ''), '0'), '.');
    }
}
