<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Convert\Change;
use WaryHeron\Core\Synthesis\Convert\MeanAndSd;
use WaryHeron\Core\Synthesis\Convert\Quantiles;
use WaryHeron\Core\Synthesis\Convert\Spread;
use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Effect\Correlation;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Reported;
use WaryHeron\Core\Synthesis\Effect\Share;

/** From the numbers of a report, in whatever form, to what is used of them, step by step. */
final class Reckoning
{
    /** Groups smaller than this have their intervals by t, larger ones by the normal distribution. */
    private const LARGE = 60;

    private const WAN = 'Wan et al. 2014';

    /** @var list<Step> */
    private array $steps = [];

    private function __construct(
        private readonly ReportForm $form,
        private readonly StudyDesign $design,
        private readonly Numbers $numbers,
    ) {
    }

    /** @param  bool  $isReversed  on this scale the other end is the better one, so that signs are turned */
    public static function of(ReportForm $form, StudyDesign $design, Numbers $numbers, bool $isReversed = false): Used
    {
        $one = new self($form, $design, $numbers);
        $used = match ($form->kind()) {
            OutcomeKind::Events => $one->events(),
            OutcomeKind::Means => $one->means($isReversed),
            OutcomeKind::Ratio => $one->ratio(AnalysisMeasure::Ratio),
            OutcomeKind::Correlation => $one->correlation(),
            OutcomeKind::Share => $one->share(),
        };

        return new Used($used->one, $used->two, $one->steps, $used->direct);
    }

    private function events(): Used
    {
        return match ($this->form) {
            ReportForm::RiskRatioInterval => $this->ratio(AnalysisMeasure::RiskRatio),
            ReportForm::OddsRatioInterval => $this->ratio(AnalysisMeasure::OddsRatio),
            default => $this->ofCounts(),
        };
    }

    private function ofCounts(): Used
    {
        if ($this->design === StudyDesign::Crossover) {
            $why = 'how the same people did under both is not counted: reckoned as if they were different, so too wide';
            $this->step('pairs', $why, null);
        }

        return new Used($this->smaller($this->counted(1), 1), $this->smaller($this->counted(2), 2));
    }

    private function counted(int $arm): Group
    {
        $n = $this->number("n{$arm}");
        if ($this->form === ReportForm::Counts) {
            return new Group($n, $this->number("e{$arm}"));
        }
        $percent = $this->number("p{$arm}");
        $events = $n === null || $percent === null ? null : round($n * $percent / 100);
        $this->step("events, {$this->arm($arm)}", self::shown($percent).' % of '.self::shown($n).', to a whole number', $events);

        return new Group($n, $events);
    }

    private function means(bool $isReversed): Used
    {
        $used = str_starts_with($this->form->value, 'difference')
            ? (new ReportedDifference($this->form, $this->design, $this->numbers))->used($isReversed)
            : $this->ofGroups($isReversed);
        if ($isReversed) {
            array_push($this->steps, ...$used->steps);
            $this->step('direction', 'this scale runs the other way, so signs are turned', null);

            return $used;
        }
        array_push($this->steps, ...$used->steps);

        return $used;
    }

    private function ofGroups(bool $isReversed): Used
    {
        [$one, $two] = [$this->measured(1), $this->measured(2)];
        if ($isReversed) {
            $turned = fn (Group $of): Group => new Group($of->n, null, $of->mean === null ? null : -$of->mean, $of->sd);
            [$one, $two] = [$turned($one), $turned($two)];
        }
        $pairs = $this->design === StudyDesign::Crossover ? Pairs::ofGroups($one, $two, $this->number('paired')) : null;
        if ($pairs !== null) {
            array_push($this->steps, ...$pairs->steps);

            return new Used($one, $two, [], $pairs->effects);
        }
        if ($this->design === StudyDesign::Crossover) {
            $this->step('pairs', 'no correlation within people is given: reckoned as if they were different, so too wide', null);
        }

        return new Used($this->smaller($one, 1), $this->smaller($two, 2));
    }

    private function measured(int $arm): Group
    {
        $n = $this->number("n{$arm}");
        $mean = $this->number("m{$arm}");
        $told = match ($this->form) {
            ReportForm::MeansWithSd => new MeanAndSd($mean, $this->number("sd{$arm}")),
            ReportForm::MeansWithSe => new MeanAndSd($mean, $this->fromError($n, $arm)),
            ReportForm::MeansWithInterval => new MeanAndSd($mean, $this->fromInterval($n, $arm)),
            ReportForm::Changes => new MeanAndSd($mean, $this->ofChange($arm)),
            default => $this->fromQuantiles($n, $arm),
        };

        return new Group($n, null, $told->mean, $told->sd);
    }

    private function fromError(?float $n, int $arm): ?float
    {
        $se = $this->number("se{$arm}");
        $sd = Spread::fromStandardError($n, $se);
        $this->step("SD, {$this->arm($arm)}", 'SE × √n = '.self::shown($se).' × √'.self::shown($n), $sd);

        return $sd;
    }

    private function fromInterval(?float $n, int $arm): ?float
    {
        [$low, $high] = $this->numbers->all("low{$arm}", "high{$arm}");
        $byT = $n !== null && $n < self::LARGE;
        $sd = Spread::fromInterval($n, $low, $high, $this->numbers->level(), $byT);
        $quantile = $byT ? 't('.self::shown($n - 1).')' : 'z';
        $this->step(
            "SD, {$this->arm($arm)}",
            '√n × ('.self::shown($high).' − '.self::shown($low).") / (2{$quantile}), n = ".self::shown($n),
            $sd,
        );

        return $sd;
    }

    private function ofChange(int $arm): ?float
    {
        $told = $this->number("sd{$arm}");
        if ($told !== null) {
            return $told;
        }
        [$before, $after, $r] = $this->numbers->all("before{$arm}", "after{$arm}", 'r');
        $sd = Change::sd($before, $after, $r);
        $formula = '√('.self::shown($before).'² + '.self::shown($after).'² − 2 × '.self::shown($r).' × both)';
        $this->step("SD of the change, {$this->arm($arm)}", $formula, $sd);

        return $sd;
    }

    private function fromQuantiles(?float $n, int $arm): MeanAndSd
    {
        $five = $this->numbers->all("min{$arm}", "q1{$arm}", "median{$arm}", "q3{$arm}", "max{$arm}");
        $found = Quantiles::meanAndSd($n, $five);
        $given = implode(', ', array_map(self::shown(...), array_filter($five, fn (?float $one): bool => $one !== null)));
        $this->step("mean, {$this->arm($arm)}", "from {$given}", $found->mean, self::WAN);
        $this->step("SD, {$this->arm($arm)}", "from {$given} of ".self::shown($n), $found->sd, self::WAN);

        return $found;
    }

    private function ratio(AnalysisMeasure $as): Used
    {
        [$estimate, $se, $low, $high] = $this->numbers->all('estimate', 'se', 'low', 'high');
        if ($this->form === ReportForm::RatioWithP) {
            $se = $this->errorByP($estimate);
        }
        $effect = Reported::effect(true, $estimate, $se, $low, $high, $this->numbers->level());
        if ($se === null) {
            $this->step('SE of the log', '(ln '.self::shown($high).' − ln '.self::shown($low).') / 2z', $effect->standardError());
        }

        return new Used(direct: [$as->value => $this->widened($effect)]);
    }

    private function errorByP(?float $estimate): ?float
    {
        $p = $this->number('p');
        $isPossible = $estimate !== null && $estimate > 0 && $estimate != 1 && $p !== null && $p > 0 && $p < 1;
        $se = $isPossible ? abs(log($estimate)) / Normal::quantile(1 - $p / 2) : null;
        $this->step('SE of the log', '|ln '.self::shown($estimate).'| / z of p '.$this->numbers->text('p').$this->bound('p'), $se);

        return $se;
    }

    private function correlation(): Used
    {
        [$r, $n] = $this->numbers->all('r', 'n');
        $effect = Correlation::effect($r, $n);
        $this->step('Fisher’s Z', 'artanh '.self::shown($r), $effect->estimate, 'Fisher 1921');

        return new Used(new Group($n), direct: [AnalysisMeasure::Correlation->value => $this->widened($effect)]);
    }

    private function share(): Used
    {
        [$x, $n] = $this->numbers->all('x', 'n');
        $group = $this->smaller(new Group($n, $x));
        $share = Share::of($group->events, $group->n);

        return new Used(
            $group,
            direct: [
                AnalysisMeasure::ShareByLogit->value => $share?->logit() ?? Effect::undefined(),
                AnalysisMeasure::ShareByArcsine->value => $share?->doubleArcsine() ?? Effect::undefined(),
            ],
        );
    }

    /** Where whole wards were allocated, a group counts as fewer people: n / (1 + (m − 1) ICC). */
    private function smaller(Group $group, ?int $arm = null): Group
    {
        $by = DesignEffect::of($this->design, $this->numbers);
        if ($by === null || $group->n === null) {
            return $group;
        }
        $this->step(
            $arm === null ? 'people' : "people, {$this->arm($arm)}",
            self::shown($group->n).' / '.self::shown($by).', the design effect 1 + (m − 1) × ICC',
            $group->n / $by,
            DesignEffect::SOURCE,
        );

        return new Group($group->n / $by, $group->events === null ? null : $group->events / $by, $group->mean, $group->sd);
    }

    private function widened(Effect $effect): Effect
    {
        $by = DesignEffect::of($this->design, $this->numbers);
        if ($by === null || $effect->estimate === null || $effect->variance === null) {
            return $effect;
        }
        $wider = Effect::of($effect->estimate, $effect->variance * $by);
        $formula = 'times √ of the design effect '.self::shown($by);
        $this->step('SE', $formula, $wider->standardError(), DesignEffect::SOURCE);

        return $wider;
    }

    private function number(string $key): ?float
    {
        return $this->numbers->of($key);
    }

    private function arm(int $arm): string
    {
        return $arm === 1 ? 'intervention' : 'comparator';
    }

    private function bound(string $key): string
    {
        return $this->numbers->isBound($key) ? ' (only a bound is told, so the true error is smaller)' : '';
    }

    private function step(string $what, string $formula, ?float $result, string $source = ''): void
    {
        $this->steps[] = new Step($what, $formula, $result, $source);
    }

    private static function shown(?float $number): string
    {
        return Step::shown($number);
    }
}
