<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Ranked;

/**
 * What the words say that people took as evidence for an item, beside those they took for other items and those they
 * turned down: which stems speak for a passage, and which against it. A stem weighs as much as its share among those taken
 * lies above its share elsewhere, and less while few were ruled on.
 */
final class Learned
{
    private const MOST = 12;

    /** So many rulings have their full weight. */
    private const ENOUGH = 4;

    private const FOR = 0.8;

    private const AGAINST = 0.4;

    /**
     * @param  list<string>  $taken  quotes that people took for the item, accepted or found themselves
     * @param  list<string>  $turnedDown  quotes of its leads that they turned down or corrected
     * @param  list<string>  $others  quotes that they took for other items
     * @return array<array-key, float> by stem; none where there is nothing to learn from yet
     */
    public static function from(array $taken, array $turnedDown, array $others): array
    {
        [$for, $against, $elsewhere] = [self::shares($taken), self::shares($turnedDown), self::shares($others)];
        $sure = fn (array $quotes): float => min(1.0, count($quotes) / self::ENOUGH);
        $weights = [];
        foreach ($for as $stem => $share) {
            // once is chance
            if ($share * count($taken) > 1.5) {
                $weights[$stem] = self::FOR * $sure($taken) * max(0.0, $share - ($elsewhere[$stem] ?? 0.0));
            }
        }
        foreach ($against as $stem => $share) {
            if ($share * count($turnedDown) > 1.5) {
                $weights[$stem] = ($weights[$stem] ?? 0.0) - self::AGAINST * $sure($turnedDown) * max(0.0, $share - ($for[$stem] ?? 0.0));
            }
        }
        uasort($weights, fn (float $a, float $b): int => abs($b) <=> abs($a));

        return array_filter(array_slice($weights, 0, self::MOST, true), fn (float $one): bool => abs($one) > 0.05);
    }

    /**
     * @param  list<string>  $quotes
     * @return array<array-key, float> the share of them that holds a stem
     */
    private static function shares(array $quotes): array
    {
        $holding = [];
        foreach ($quotes as $quote) {
            foreach (array_unique(Stems::of($quote)) as $stem) {
                if (preg_match('/\\d/', $stem) === 0) {
                    $holding[$stem] = ($holding[$stem] ?? 0) + 1;
                }
            }
        }

        return array_map(fn (int $count): float => $count / count($quotes), $holding);
    }
}
