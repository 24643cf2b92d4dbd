<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/**
 * Agreement of two raters from their square table of counts. What is not defined is null.
 *
 * Sources: Cohen 1960 and 1968 (kappa, weighted kappa), Fleiss, Cohen and Everitt 1969 (standard error), Byrt, Bishop
 * and Carlin 1993 (PABAK, prevalence and bias), Gwet 2008 (AC1). Doubles throughout; nothing is rounded.
 */
final readonly class TwoRaters
{
    private const Z = 1.959963984540054;

    /** Items that both rated. */
    public int $n;

    private int $k;

    /** @var list<float> shares of the first rater's categories */
    private array $rows;

    /** @var list<float> shares of the second rater's categories */
    private array $columns;

    public Kappa $kappa;

    /** Near misses weigh less: for categories that have an order. */
    public Kappa $weighted;

    /** Prevalence and bias adjusted kappa. */
    public ?float $pabak;

    /** Of two categories only. */
    public ?float $prevalence;

    /** Of two categories only. */
    public ?float $bias;

    public GwetAc1 $gwet;

    /** @param  list<list<int>>  $table rows the first rater's, columns the second's */
    public function __construct(private array $table)
    {
        $this->k = count($table);
        $this->n = array_sum(array_map(array_sum(...), $table));
        $share = fn (int $count): float => $this->n === 0 ? 0.0 : $count / $this->n;
        $this->rows = array_map(fn (array $row): float => $share(array_sum($row)), $table);
        $this->columns = array_map(
            fn (int $j): float => $share(array_sum(array_column($table, $j))),
            array_keys($table),
        );
        $this->kappa = $this->kappa(fn (int $i, int $j): float => $i === $j ? 1.0 : 0.0);
        $this->weighted = $this->k < 2
            ? new Kappa()
            : $this->kappa(fn (int $i, int $j): float => 1 - abs($i - $j) / ($this->k - 1));
        $po = $this->kappa->observed;
        $this->pabak = $po === null || $this->k < 2 ? null : ($this->k * $po - 1.0) / ($this->k - 1);
        $two = $this->n > 0 && $this->k === 2;
        $this->prevalence = $two ? (float) abs($table[0][0] - $table[1][1]) / $this->n : null;
        $this->bias = $two ? (float) abs($table[0][1] - $table[1][0]) / $this->n : null;
        $this->gwet = GwetAc1::of(
            $po,
            array_map(fn (float $a, float $b): float => ($a + $b) / 2, $this->rows, $this->columns),
        );
    }

    /** @return array<string, int|float|array<string, ?float>|null> */
    public function toArray(): array
    {
        return [
            'n' => $this->n,
            'percent_agreement' => $this->kappa->observed,
            'cohen_kappa' => $this->kappa->toArray(),
            'weighted_kappa_linear' => $this->weighted->toArray(),
            'pabak' => $this->pabak,
            'prevalence_index' => $this->prevalence,
            'bias_index' => $this->bias,
            'gwet_ac1' => $this->gwet->toArray(),
        ];
    }

    /** @param  callable(int, int): float  $weight */
    private function kappa(callable $weight): Kappa
    {
        if ($this->n === 0) {
            return new Kappa();
        }
        $po = $pe = 0.0;
        $r = $c = array_fill(0, $this->k, 0.0);
        for ($i = 0; $i < $this->k; $i++) {
            for ($j = 0; $j < $this->k; $j++) {
                $w = $weight($i, $j);
                $po += ($w * (float) $this->table[$i][$j]) / $this->n;
                $pe += $w * $this->rows[$i] * $this->columns[$j];
                $r[$i] += $w * $this->columns[$j];
                $c[$j] += $w * $this->rows[$i];
            }
        }
        if (1 - $pe < 1e-15) {
            return new Kappa($po, $pe);
        }
        $kappa = ($po - $pe) / (1 - $pe);
        $spread = fn (int $i, int $j): float => $weight($i, $j) * (1 - $pe) - ($r[$i] + $c[$j]) * (1 - $po);
        $variance = ($this->sumOfSquares($spread) - ($po * $pe - 2 * $pe + $po) ** 2) / ($this->n * (1 - $pe) ** 4);
        $error = $variance < 1e-14 ? 0.0 : sqrt($variance);

        return new Kappa($po, $pe, $kappa, $error, $kappa - self::Z * $error, $kappa + self::Z * $error);
    }

    /**
     * Over all cells, by the share of items in each.
     *
     * @param  callable(int, int): float  $spread
     */
    private function sumOfSquares(callable $spread): float
    {
        $sum = 0.0;
        for ($i = 0; $i < $this->k; $i++) {
            for ($j = 0; $j < $this->k; $j++) {
                $sum += ($this->table[$i][$j] / $this->n) * $spread($i, $j) ** 2;
            }
        }

        return $sum;
    }
}
