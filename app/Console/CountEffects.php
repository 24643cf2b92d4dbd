<?php

declare(strict_types=1);

namespace App\Console;

use WaryHeron\Core\Synthesis\Convert\ArmMoments;
use WaryHeron\Core\Synthesis\Convert\Arms;
use WaryHeron\Core\Synthesis\Convert\Change;
use WaryHeron\Core\Synthesis\Convert\CommonSpread;
use WaryHeron\Core\Synthesis\Convert\Comparison;
use WaryHeron\Core\Synthesis\Convert\MeanAndSd;
use WaryHeron\Core\Synthesis\Convert\Quantiles;
use WaryHeron\Core\Synthesis\Convert\Spread;
use WaryHeron\Core\Synthesis\Effect\Correlation;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Reported;
use WaryHeron\Core\Synthesis\Effect\Share;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Effect\TwoMeans;

/** Effect sizes of the studies of a CSV, or what is missing for them, as JSON; the columns tell what is given. */
final class CountEffects extends PureCommand
{
    protected $signature = 'heron:effects {file : CSV with a study on each row} {--measure= : one of what is printed} {--convert : what reports give, into what effects need}';

    protected $description = 'Effect sizes and conversions';

    protected function work(): int
    {
        $csv = CsvRows::open($this->text('file'));
        $of = $csv === null ? null : ($this->option('convert') === true ? $this->conversion($csv) : $this->effects($csv));
        if ($csv === null || $of === null) {
            return $this->unusable("{$this->text('file')} cannot be read, or its columns tell nothing that is known.");
        }
        $only = $this->text('measure');
        $all = [];
        foreach ($this->named($csv) as $name => $rows) {
            $found = $of($rows);
            $isOne = $only !== '' && is_array($found) && isset($found[$only]);
            $all[$name] = $isOne ? [$only => $found[$only]] : $found;
        }

        return $this->print((object) $all);
    }

    /**
     * Rows by study; arms that are to be combined have one id.
     *
     * @return array<array-key, non-empty-list<CsvRow>>
     */
    private function named(CsvRows $csv): array
    {
        $named = [];
        $id = $csv->has('study') ? 'study' : 'id';
        $together = $csv->has('group', 'mean', 'sd');
        foreach ($csv->rows() as $row) {
            $name = $row->text($id);
            for ($again = 2; ! $together && isset($named[$name]); $again++) {
                $name = "{$row->text($id)} ({$again})";
            }
            $named[$name][] = $row;
        }

        return $named;
    }

    /** @return ?\Closure(non-empty-list<CsvRow>): array<string, float|null|array<string, ?float>> */
    private function effects(CsvRows $csv): ?\Closure
    {
        return match (true) {
            $csv->has('e1', 'n1', 'e2', 'n2') => fn (array $rows): array => self::events($rows[0]),
            $csv->has('n1', 'm1', 'sd1', 'n2', 'm2', 'sd2') => fn (array $rows): array => self::means($rows[0]),
            $csv->has('scale', 'estimate') => fn (array $rows): array => self::reported($rows[0])->toArray(),
            $csv->has('r', 'n') => fn (array $rows): array => self::correlation($rows[0]),
            $csv->has('x', 'n') => fn (array $rows): array => self::share($rows[0]),
            default => null,
        };
    }

    /** @return ?\Closure(non-empty-list<CsvRow>): object  printed by its properties */
    private function conversion(CsvRows $csv): ?\Closure
    {
        return match (true) {
            $csv->has('kind', 'low', 'high') => fn (array $rows): object => (object) ['sd' => self::spread($rows[0])],
            $csv->has('scenario', 'median') => fn (array $rows): object => self::quantiles($rows[0]),
            $csv->has('kind', 'n1', 'n2', 'md') => fn (array $rows): object => self::comparison($rows[0]),
            $csv->has('n', 'mean', 'sd') => fn (array $rows): object => Arms::combined(
                array_values(array_map(self::arm(...), $rows)),
            ),
            $csv->has('sd_base', 'sd_final') => fn (array $rows): object => (object) self::change($rows[0]),
            default => null,
        };
    }

    /** @return array<string, float|null|array<string, ?float>> */
    private static function events(CsvRow $row): array
    {
        $table = TwoByTwo::of(...$row->numbers('e1', 'n1', 'e2', 'n2'));
        $none = Effect::undefined();
        $peto = $table?->petoLogOddsRatio() ?? $none;

        return [
            'logRR' => ($table?->logRiskRatio() ?? $none)->toArray(),
            'logOR' => ($table?->logOddsRatio() ?? $none)->toArray(),
            'RD' => ($table?->riskDifference() ?? $none)->toArray(),
            'logPetoOR' => [
                ...$peto->toArray(),
                'V' => $peto->isDefined() ? $table?->petoVariance() : null,
                'O_minus_E' => $peto->isDefined() ? $table?->observedMinusExpected() : null,
            ],
        ];
    }

    /** @return array<string, float|null|array<string, ?float>> */
    private static function means(CsvRow $row): array
    {
        $means = TwoMeans::of(...$row->numbers('n1', 'm1', 'sd1', 'n2', 'm2', 'sd2'));
        $none = Effect::undefined();

        return [
            'MD' => ($means?->difference() ?? $none)->toArray(),
            'cohen_d' => ($means?->standardised() ?? $none)->toArray(),
            'hedges_g_exact' => ($means?->hedges() ?? $none)->toArray(),
            'hedges_g_approx' => ($means?->hedgesApproximately() ?? $none)->toArray(),
            'logROM' => ($means?->logRatio() ?? $none)->toArray(),
            'J_exact' => $means?->exactCorrection(),
            'J_approx' => $means?->approximateCorrection(),
        ];
    }

    private static function reported(CsvRow $row): Effect
    {
        $level = $row->number('level');

        return Reported::effect(
            $row->text('scale') === 'log',
            $row->number('estimate'),
            $row->number('se'),
            $row->number('ci_low'),
            $row->number('ci_high'),
            $level !== null && $level > 1 ? $level / 100 : $level,
        );
    }

    /** @return array<string, ?float> */
    private static function correlation(CsvRow $row): array
    {
        return self::withBack(Correlation::effect(...$row->numbers('r', 'n')), Correlation::back(...));
    }

    /** @return array<string, float|null|array<string, ?float>> */
    private static function share(CsvRow $row): array
    {
        $share = Share::of(...$row->numbers('x', 'n'));
        $none = Effect::undefined();

        return [
            'logit' => self::withBack($share?->logit() ?? $none, Share::fromLogit(...)),
            'freeman_tukey' => self::withBack(
                $share?->doubleArcsine() ?? $none,
                fn (?float $y): ?float => $share?->fromDoubleArcsine($y),
            ),
        ];
    }

    /**
     * @param  \Closure(?float): ?float  $back
     * @return array<string, ?float>
     */
    private static function withBack(Effect $effect, \Closure $back): array
    {
        $interval = $effect->interval();

        return [
            ...$effect->toArray(),
            'back_estimate' => $back($effect->estimate),
            'back_ci_low' => $back($interval->low),
            'back_ci_high' => $back($interval->high),
        ];
    }

    private static function spread(CsvRow $row): ?float
    {
        [$n, $value, $low, $high] = $row->numbers('n', 'value', 'low', 'high');
        $level = $row->number('level') ?? 0.95;
        $level = $level > 1 ? $level / 100 : $level;

        return match ($row->text('kind')) {
            'se' => Spread::fromStandardError($n, $value),
            'ci_z' => Spread::fromInterval($n, $low, $high, $level, false),
            'ci_t' => Spread::fromInterval($n, $low, $high, $level, true),
            default => null,
        };
    }

    private static function quantiles(CsvRow $row): MeanAndSd
    {
        [$n, $least, $q1, $median, $q3, $greatest] = $row->numbers('n', 'min', 'q1', 'median', 'q3', 'max');

        return match ($row->text('scenario')) {
            'C1' => Quantiles::meanAndSd($n, [$least, null, $median, null, $greatest]),
            'C3' => Quantiles::meanAndSd($n, [null, $q1, $median, $q3, null]),
            default => Quantiles::meanAndSd($n, [$least, $q1, $median, $q3, $greatest]),
        };
    }

    private static function comparison(CsvRow $row): CommonSpread
    {
        $comparison = new Comparison(...$row->numbers('n1', 'n2'));
        [$difference, $value] = $row->numbers('md', 'value');

        return match ($row->text('kind')) {
            'p' => $comparison->fromP($difference, $value),
            't' => $comparison->fromT($difference, $value),
            'ci_width' => $comparison->fromIntervalWidth($value),
            default => $comparison->fromStandardError($value),
        };
    }

    private static function arm(CsvRow $row): ArmMoments
    {
        return new ArmMoments($row->number('n'), $row->number('mean'), $row->number('sd'));
    }

    /** @return array<string, ?float> what is given, and the other from it */
    private static function change(CsvRow $row): array
    {
        [$before, $after, $r, $change] = $row->numbers('sd_base', 'sd_final', 'r', 'sd_change');

        return [
            'sd_change' => $change ?? Change::sd($before, $after, $r),
            'r' => $r ?? Change::correlation($before, $after, $change),
        ];
    }
}
