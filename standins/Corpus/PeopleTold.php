<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/** How many people an invented abstract tells of, and where. */
final class PeopleTold
{
    private const TELLS = '/randomis|assigned|allocated|took part|analysed|observed|crossover|served|received/';

    /** What is counted beside people: how bright the lamps were, how long it took. */
    private const OTHERS = '(?!lux|sites|centres|hospitals|wards|units|weeks|days|hours|nights|shifts|consecutive|years)';

    /** Its sentence that tells of them, without the heading over it; empty if none does. */
    public static function sentence(string $abstract): string
    {
        return self::sentenceWith(self::TELLS, $abstract);
    }

    /** The first sentence with a pattern. */
    public static function sentenceWith(string $pattern, string $abstract): string
    {
        foreach (preg_split('/(?<=[.!?])\s+(?=\p{Lu})/u', $abstract) ?: [] as $one) {
            if (preg_match($pattern, $one) === 1) {
                return (string) preg_replace('/^[\p{L} ]{4,30}: /u', '', $one);
            }
        }

        return '';
    }

    /** How many that sentence tells of, in figures as it writes them; empty if it does not say. */
    public static function count(string $abstract): string
    {
        $told = self::sentence($abstract);
        $others = self::OTHERS;
        if (preg_match("/(?:^|[^\\d,.:])(\\d{2,4}|\\d,\\d{3}) {$others}(?=\\p{L})/u", $told, $figures) === 1) {
            return $figures[1];
        }
        $ones = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve', 'thirteen'];
        $ones = [...$ones, 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'];
        $tens = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
        $words = '(?:('.implode('|', $tens).')(?:-('.implode('|', array_slice($ones, 0, 9)).'))?|('.implode('|', array_slice($ones, 8)).'))';
        if (preg_match("/\\b{$words} {$others}(?=\\p{L})/iu", $told, $found) !== 1) {
            return '';
        }
        $of = fn (string $word, array $list): int => $word === '' ? 0 : (int) array_search(strtolower($word), $list, true) + 1;
        $ten = $of($found[1], $tens);

        return (string) (($ten === 0 ? 0 : 10 * ($ten + 1)) + $of($found[2] ?? '', $ones) + $of($found[3] ?? '', $ones));
    }
}
