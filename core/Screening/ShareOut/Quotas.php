<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

/**
 * How many items each person gets. Together they are the items times the decisions on each, and nobody gets more than
 * there are items.
 */
final readonly class Quotas
{
    /** @param  array<string, int>  $byPerson */
    private function __construct(public array $byPerson, public int $items, public int $decisions)
    {
    }

    /**
     * What is given by hand stands; people without a number share the rest by their weights, evenly where they have
     * none, the first of them getting what does not divide.
     *
     * @param  array<string, ?int>  $given  by person
     * @param  array<string, float>  $weights  above nought, by person; 1 where there is none
     * @param  array<string, int>  $most  items that a person may have, where that is not all; what they cannot take
     *     goes to the others
     *
     * @throws CannotShare
     */
    public static function of(int $items, int $decisions, array $given, array $weights = [], array $most = []): self
    {
        if ($items < 1) {
            throw new CannotShare('There is nothing to share out: the pool is empty.');
        }
        if (count($given) < $decisions) {
            throw new CannotShare(
                $decisions.
                    ' decisions on each item need at least '.
                    $decisions.
                    ' different people; '.
                    count($given).
                    (count($given) === 1 ? ' is' : ' are').
                    ' chosen.',
            );
        }
        $needed = $items * $decisions;
        $fixed = array_filter($given, fn (?int $n): bool => $n !== null);
        $open = array_diff_key($given, $fixed);
        $rest = $needed - array_sum($fixed);
        $open = array_map(
            fn (string $person): float => $weights[$person] ?? 1.0,
            array_combine(array_keys($open), array_map(strval(...), array_keys($open))),
        );
        /** @var array<string, int> $quotas */
        $quotas = [...$given, ...self::within(max(0, $rest), $open, $most)];
        $tooMuch = array_filter($quotas, fn (int $n): bool => $n > $items);
        $why = match (true) {
            array_filter($quotas, fn (int $n): bool => $n < 0) !== [] => 'A quota cannot be less than nothing.',
            $tooMuch !== [] => 'Nobody can judge more than the '.$items.' items there are.',
            array_sum($quotas) !== $needed => "{$items} items with {$decisions} ".
                ($decisions === 1 ? 'decision' : 'decisions').
                " each are {$needed} judgements; the quotas add up to ".
                array_sum($quotas).
                '.',
            default => null,
        };
        if ($why !== null) {
            throw new CannotShare($why, self::nearest($items, $needed, $quotas));
        }

        return new self($quotas, $items, $decisions);
    }

    /**
     * The same, where some can take no more than so many.
     *
     * @param  array<string, float>  $weights
     * @param  array<string, int>  $most
     * @return array<string, int>
     */
    private static function within(int $all, array $weights, array $most): array
    {
        $full = [];
        do {
            $shares = self::apportioned($all - array_sum($full), array_diff_key($weights, $full));
            $over = array_filter(
                $shares,
                fn (int $n, string $person): bool => $n > ($most[$person] ?? $n),
                ARRAY_FILTER_USE_BOTH,
            );
            $full += array_intersect_key($most, $over);
        } while ($over !== []);

        /** @var array<string, int> in the order given */
        return array_replace(array_map(fn (float $weight): int => 0, $weights), $full, $shares);
    }

    /**
     * Whole numbers in proportion to the weights, by largest remainders; the first come first where these are equal.
     *
     * @param  array<string, float>  $weights
     * @return array<string, int>
     */
    private static function apportioned(int $all, array $weights): array
    {
        $sum = array_sum($weights);
        $exact = array_map(fn (float $weight): float => $sum > 0 ? ($all * $weight) / $sum : 0.0, $weights);
        $whole = array_map(fn (float $share): int => (int) floor($share + 1e-9), $exact);
        uksort(
            $exact,
            fn (string|int $a, string|int $b): int => round($exact[$b] - $whole[$b], 9) <=>
                round($exact[$a] - $whole[$a], 9),
        );
        $short = $all - array_sum($whole);
        foreach (array_keys($exact) as $person) {
            $whole[$person] += $short-- > 0 ? 1 : 0;
        }

        return $whole;
    }

    /**
     * The same proportions, fitted: by largest remainders, with nobody above the number of items.
     *
     * @param  array<string, int>  $wished
     * @return array<string, int>
     */
    private static function nearest(int $items, int $needed, array $wished): array
    {
        $wished = array_map(fn (int $n): int => max(0, $n), $wished);
        $wished = array_sum($wished) === 0 ? array_map(fn (): int => 1, $wished) : $wished;
        $fitted = [];
        $left = $needed;
        // those who would get too much get all there is, and the others share what remains
        do {
            $sum = array_sum($wished);
            $full = array_filter($wished, fn (int $n): bool => $sum > 0 && ($n * $left) / $sum >= $items);
            foreach (array_keys($full) as $person) {
                $fitted[$person] = $items;
                $left -= $items;
                unset($wished[$person]);
            }
        } while ($full !== [] && $wished !== []);
        $sum = array_sum($wished);
        $exact = array_map(
            fn (int $n): float => $sum > 0 ? ($n * $left) / $sum : $left / max(1, count($wished)),
            $wished,
        );
        $whole = array_map(fn (float $n): int => (int) floor($n), $exact);
        uksort($exact, fn (string|int $a, string|int $b): int => $exact[$b] - $whole[$b] <=> $exact[$a] - $whole[$a]);
        $short = $left - array_sum($whole);
        foreach (array_keys($exact) as $person) {
            $whole[$person] += $short-- > 0 ? 1 : 0;
        }
        $all = $fitted + $whole;
        ksort($all);

        return $all;
    }
}
