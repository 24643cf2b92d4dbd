<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Convert\Comparison;
use WaryHeron\Core\Synthesis\Convert\Spread;
use WaryHeron\Core\Synthesis\Distribution\StudentT;

/** A difference of means that a report gives with an interval, an error, p, t or F instead of the groups themselves. */
final readonly class ReportedDifference
{
    public function __construct(private ReportForm $form, private StudyDesign $design, private Numbers $numbers)
    {
    }

    public function used(bool $isReversed): Used
    {
        [$n1, $n2, $difference] = $this->numbers->all('n1', 'n2', 'estimate');
        $turned = $isReversed && $difference !== null ? -$difference : $difference;
        $error = $this->error($n1, $n2, $difference);
        if ($this->design === StudyDesign::Crossover) {
            $pairs = Pairs::ofDifference($turned, $error->result, $n1, $this->numbers->of('paired'));

            return new Used(new Group($n1), new Group($n2), [$error, ...$pairs->steps ?? []], $pairs->effects ?? []);
        }
        $by = DesignEffect::of($this->design, $this->numbers);
        [$effective1, $effective2] = array_map(
            fn (?float $n): ?float => $n === null || $by === null ? $n : $n / $by,
            [$n1, $n2],
        );
        $common = (new Comparison($n1, $n2))->fromStandardError($error->result)->sd;

        $fewer = new Step('people', 'divided by the design effect', $effective1, DesignEffect::SOURCE);

        // the comparator stands at 0, so that the groups differ as reported and have the SD that they have in common
        return new Used(
            new Group($effective1, null, $turned, $common),
            new Group($effective2, null, 0.0, $common),
            [
                $error,
                new Step('SD of both groups', 'SE / √(1/n₁ + 1/n₂)', $common),
                ...$by === null ? [] : [$fewer],
            ],
        );
    }

    private function error(?float $n1, ?float $n2, ?float $difference): Step
    {
        $df = $this->freedom($n1, $n2);
        $of = 't('.Step::shown($df).')';

        [$error, $formula] = match ($this->form) {
            ReportForm::DifferenceWithSe => [Spread::positive($this->numbers->of('se') ?? 0.0), 'as reported'],
            ReportForm::DifferenceWithInterval => [$this->byInterval($df), "width / (2 {$of})"],
            ReportForm::DifferenceWithP => [
                $this->byP($df, $difference),
                "|difference| / {$of} of p {$this->numbers->text('p')}".
                    ($this->numbers->isBound('p') ? ' (only a bound is told, so the true error is smaller)' : ''),
            ],
            ReportForm::DifferenceWithF => [$this->byT($difference, sqrt(max(0.0, $this->numbers->of('f') ?? 0.0))), '|difference| / √F'],
            default => [$this->byT($difference, $this->numbers->of('t')), '|difference| / |t|'],
        };

        return new Step('SE', $formula, $error);
    }

    private function byInterval(?float $df): ?float
    {
        [$low, $high] = $this->numbers->all('low', 'high');
        $level = $this->numbers->level();
        if ($low === null || $high === null || $df === null || $level <= 0 || $level >= 1) {
            return null;
        }

        return Spread::positive(($high - $low) / (2 * StudentT::quantile((1 + $level) / 2, $df)));
    }

    private function byP(?float $df, ?float $difference): ?float
    {
        $p = $this->numbers->of('p');

        return $p === null || $p <= 0 || $p >= 1 || $df === null
            ? null
            : $this->byT($difference, StudentT::quantile(1 - $p / 2, $df));
    }

    private function byT(?float $difference, ?float $t): ?float
    {
        return $difference === null || $t === null || $t == 0 ? null : Spread::positive(abs($difference) / abs($t));
    }

    /** Of people once where they are the same under both. */
    private function freedom(?float $n1, ?float $n2): ?float
    {
        $df = $n1 === null || $n2 === null ? 0.0 : ($this->design === StudyDesign::Crossover ? $n1 - 1 : $n1 + $n2 - 2);

        return $df > 0 ? $df : null;
    }
}
