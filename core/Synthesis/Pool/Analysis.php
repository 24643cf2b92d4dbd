<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\SmallStudies\SmallStudies;

/** One measure of several studies, from their effects to the pooled estimate. What is undefined is left out, by name. */
final readonly class Analysis
{
    /**
     * @param  list<Study>  $studies  that can be pooled
     * @param  list<string>  $excluded
     * @param  array<string, TwoByTwo>  $tables  of $studies, where they are of events
     */
    private function __construct(
        private Measure $measure,
        private array $studies,
        private array $excluded,
        private array $tables,
    ) {
    }

    /** @param  iterable<StudyRow>  $rows */
    public static function of(Measure $measure, iterable $rows): self
    {
        $studies = $excluded = $tables = $seen = [];
        foreach ($rows as $row) {
            [$name, $effect] = [$row->name, $row->effect];
            $seen[$name] = ($seen[$name] ?? 0) + 1;
            // two rows of one name stay two
            $name = $seen[$name] === 1 ? $name : "{$name} ({$seen[$name]})";
            if ($effect->estimate === null || $effect->variance === null) {
                $excluded[] = $name;

                continue;
            }
            $studies[] = new Study($name, $effect->estimate, $effect->variance, $row->year, $row->group);
            if ($row->table !== null) {
                $tables[$name] = $row->table;
            }
        }

        return new self($measure, $studies, $excluded, $tables);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $pooling = new Pooling($this->studies);
        $all = [
            'k' => count($this->studies),
            'excluded' => $this->excluded,
            'common' => $pooling->common(),
            'heterogeneity' => (new Heterogeneity($this->studies))->toArray(),
            'random' => $pooling->random(),
        ];
        if (in_array($this->measure, [Measure::RiskRatio, Measure::OddsRatio, Measure::RiskDifference], true)) {
            $all['mantel_haenszel'] = $this->mantelHaenszel();
        }
        if ($this->measure === Measure::Peto) {
            $all['peto'] = $this->peto();
            $all += $all['peto'];
        }

        return [
            ...$all,
            'egger' => SmallStudies::egger($this->studies),
            'begg' => SmallStudies::begg($this->studies)->toArray(),
            'subgroups' => $pooling->subgroups(),
            'leave_one_out' => $pooling->leaveOneOut(),
            'cumulative' => $pooling->cumulative(),
        ];
    }

    /** @return array<string, int|float|object|null> */
    private function mantelHaenszel(): array
    {
        $pooled = MantelHaenszel::of($this->measure, $this->tables);

        return [
            ...$pooled->estimate->toArray(),
            ...$this->qAround($pooled->estimate),
            'weights_pct' => $pooled->percent(),
        ];
    }

    /**
     * Σ (O − E) / Σ V: the common effect of Peto's odds ratios, whose variances are 1 / V.
     *
     * @return array<string, int|float|object|null>
     */
    private function peto(): array
    {
        $weighted = $this->studies === [] ? null : Weighted::of($this->studies);
        $estimate = $weighted?->estimate() ?? Estimate::undefined();

        return [
            ...$estimate->toArray(),
            ...$this->qAround($estimate),
            'weights_pct' => $weighted?->percent() ?? (object) [],
        ];
    }

    /** @return array<string, int|float|null> */
    private function qAround(Estimate $estimate): array
    {
        $k = count($this->studies);
        if ($estimate->value === null) {
            return ['k' => $k, 'Q' => null, 'df' => null, 'p_Q' => null];
        }
        $q = 0.0;
        foreach ($this->studies as $study) {
            $q += ($study->estimate - $estimate->value) ** 2 / $study->variance;
        }

        return ['k' => $k, 'Q' => $q, 'df' => $k - 1, 'p_Q' => $k < 2 ? null : ChiSquared::above($q, $k - 1)];
    }
}
