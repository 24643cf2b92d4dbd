<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/**
 * Agreement of two raters from their square table of counts. What is not defined is null.
 *
 * Sources: Cohen 1960 and 1968 (kappa, weighted kappa), Fleiss, Cohen and Everitt 1969 (standard error), Byrt, Bishop
 * and Carlin 1993 (PABAK, prevalence and bias), Gwet 2008 (AC1). Doubles throughout; nothing is rounded.
 *
 * @phpstan-type Kappa array{po: ?float, pe: ?float, kappa: ?float, se: ?float, ci_low: ?float, ci_high: ?float}
 */
final readonly class TwoRaters
{
    private const Z = 1.959963984540054;

    private int $n;

    private int $k;

    /** @var list<float> shares of the first rater's categories */
    private array $rows;

    /** @var list<float> shares of the second rater's categories */
    private array $columns;

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
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $plain = $this->kappa(fn (int $i, int $j): float => $i === $j ? 1.0 : 0.0);
        $linear =
            $this->k < 2
                ? self::undefined()
                : $this->kappa(fn (int $i, int $j): float => 1 - abs($i - $j) / ($this->k - 1));
        $two = $this->n > 0 && $this->k === 2;

        return [
            'n' => $this->n,
            'percent_agreement' => $plain['po'],
            'cohen_kappa' => $plain,
            'weighted_kappa_linear' => $linear,
            'pabak' => $plain['po'] === null || $this->k < 2 ? null : ($this->k * $plain['po'] - 1.0) / ($this->k - 1),
            'prevalence_index' => $two ? (float) abs($this->table[0][0] - $this->table[1][1]) / $this->n : null,
            'bias_index' => $two ? (float) abs($this->table[0][1] - $this->table[1][0]) / $this->n : null,
            'gwet_ac1' => $this->ac1($plain['po']),
        ];
    }

    /**
     * @param  callable(int, int): float  $weight
     * @return Kappa
     */
    private function kappa(callable $weight): array
    {
        if ($this->n === 0) {
            return self::undefined();
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
            return ['po' => $po, 'pe' => $pe] + self::undefined();
        }
        $kappa = ($po - $pe) / (1 - $pe);
        $sum = 0.0;
        for ($i = 0; $i < $this->k; $i++) {
            for ($j = 0; $j < $this->k; $j++) {
                $sum +=
                    ($this->table[$i][$j] / $this->n) *
                    ($weight($i, $j) * (1 - $pe) - ($r[$i] + $c[$j]) * (1 - $po)) ** 2;
            }
        }
        $variance = ($sum - ($po * $pe - 2 * $pe + $po) ** 2) / ($this->n * (1 - $pe) ** 4);
        $error = $variance < 1e-14 ? 0.0 : sqrt($variance);

        return [
            'po' => $po,
            'pe' => $pe,
            'kappa' => $kappa,
            'se' => $error,
            'ci_low' => $kappa - self::Z * $error,
            'ci_high' => $kappa + self::Z * $error,
        ];
    }

    /** @return array{pe: ?float, ac1: ?float} */
    private function ac1(?float $po): array
    {
        $shares = array_map(fn (float $a, float $b): float => ($a + $b) / 2, $this->rows, $this->columns);

        return $po === null ? ['pe' => null, 'ac1' => null] : AgreementReport::gwet($po, $shares);
    }

    /** @return Kappa */
    private static function undefined(): array
    {
        return ['po' => null, 'pe' => null, 'kappa' => null, 'se' => null, 'ci_low' => null, 'ci_high' => null];
    }
}
