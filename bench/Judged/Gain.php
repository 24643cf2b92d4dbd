<?php

declare(strict_types=1);

namespace Bench\Judged;

/** How good an order of papers is for one question (nDCG with gain 2^grade − 1, Järvelin & Kekäläinen 2002). */
final readonly class Gain
{
    private const DEEP = 10;

    private const TOP = 5;

    private function __construct(public float $ndcg, public float $precision)
    {
    }

    /**
     * @param  list<int>  $order
     * @param  array<int, int>  $grades  of all there are
     */
    public static function of(array $order, array $grades): self
    {
        $best = $grades;
        rsort($best);
        $got = array_map(fn (int $number): int => $grades[$number], $order);
        $ideal = self::discounted($best);
        $answering = array_filter(array_slice($got, 0, self::TOP), fn (int $grade): bool => $grade > 1);

        return new self(
            $ideal > 0.0 ? round(self::discounted($got) / $ideal, 4) : 0.0,
            count($answering) / self::TOP,
        );
    }

    /**
     * @param  non-empty-list<self>  $of
     * @return array{ndcg_10: float, precision_5: float}
     */
    public static function means(array $of): array
    {
        $mean = fn (array $values): float => round(array_sum($values) / count($values), 3);

        return ['ndcg_10' => $mean(array_column($of, 'ndcg')), 'precision_5' => $mean(array_column($of, 'precision'))];
    }

    /** @param  list<int>  $grades */
    private static function discounted(array $grades): float
    {
        $sum = 0.0;
        foreach (array_slice($grades, 0, self::DEEP) as $i => $grade) {
            $sum += (2 ** $grade - 1) / log($i + 2, 2);
        }

        return $sum;
    }
}
