<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** What looks wrong with the numbers of a report, in sentences, for the person who types them. */
final readonly class Checks
{
    /** Two groups hardly ever differ by more SDs than this. */
    private const SDS = 3.0;

    /** An SD this many times smaller than those of other studies on the same scale is perhaps an SE. */
    private const SMALLER = 3.0;

    /** How far from the middle of its interval an estimate may lie, as a part of the interval's width. */
    private const OFF = 0.15;

    /**
     * @param  ?array{?float, ?float}  $scale  the least and the greatest value that the scale has
     * @param  list<float>  $otherSds  of other studies on the same scale
     */
    public function __construct(
        private ReportForm $form,
        private Numbers $numbers,
        private ?array $scale = null,
        private array $otherSds = [],
    ) {
    }

    /** @return list<string> */
    public function all(): array
    {
        $said = array_map(
            fn (string $key): string => "“{$this->numbers->text($key)}” is no number.",
            $this->numbers->unread(),
        );
        foreach ([1, 2] as $arm) {
            array_push($said, ...$this->counts($arm), ...$this->values($arm));
        }

        array_push($said, ...$this->oneGroup(), ...$this->interval(), ...$this->design());
        array_push($said, $this->error(), $this->sameTwice(), $this->apart(), $this->chance());

        return array_values(array_filter($said));
    }

    /** @return list<?string> */
    private function counts(int $arm): array
    {
        [$events, $n, $percent] = $this->numbers->all("e{$arm}", "n{$arm}", "p{$arm}");
        $group = $this->group($arm);

        return [
            $events !== null && $n !== null && $events > $n ? "More events than people in the {$group}." : null,
            $events !== null && ($events < 0 || $events != floor($events)) ? "Events in the {$group} are no whole number." : null,
            $n !== null && ($n < 1 || $n != floor($n)) ? "People in the {$group} are no whole number above 0." : null,
            $percent !== null && ($percent < 0 || $percent > 100) ? "A percentage beyond 0 to 100 in the {$group}." : null,
            $percent !== null && $n !== null && ! $this->fits($percent, $n, $this->numbers->text("p{$arm}"))
                ? "No whole number of {$this->numbers->text("n{$arm}")} people is {$this->numbers->text("p{$arm}")} %."
                : null,
        ];
    }

    private function fits(float $percent, float $n, string $text): bool
    {
        if ($n < 1 || $percent < 0 || $percent > 100) {
            return true; // said already
        }
        $places = preg_match('/\.(\d+)/', $text, $part) === 1 ? strlen($part[1]) : 0;
        foreach ([floor($n * $percent / 100), ceil($n * $percent / 100)] as $count) {
            if (abs(100 * $count / $n - $percent) <= 0.5 * 10 ** -$places + 1e-9) {
                return true;
            }
        }

        return false;
    }

    /** @return list<?string> */
    private function values(int $arm): array
    {
        $group = $this->group($arm);
        [$mean, $sd, $se, $n] = $this->numbers->all("m{$arm}", "sd{$arm}", "se{$arm}", "n{$arm}");
        [$least, $greatest] = $this->scale ?? [null, null];
        $mean = $this->form === ReportForm::Changes ? null : $mean;
        $isOutside = $mean !== null && (($least !== null && $mean < $least) || ($greatest !== null && $mean > $greatest));
        $isWide = $sd !== null && $least !== null && $greatest !== null && $sd > ($greatest - $least) / 2 * 1.05;
        $other = $this->usualSd();
        $isPerhapsSe = $sd !== null && $sd > 0 && $other !== null && $sd * self::SMALLER < $other && $n !== null;

        return [
            $isOutside ? "The mean of the {$group} lies outside the scale." : null,
            $isWide ? "The SD of the {$group} is wider than the scale allows." : null,
            $sd !== null && $sd < 0 ? "The SD of the {$group} is below 0." : null,
            $se !== null && $se <= 0 ? "The standard error of the {$group} is not above 0." : null,
            $isPerhapsSe && $sd * sqrt($n) < 2 * $other
                ? "The SD of the {$group} is much smaller than in other studies on this scale: is it a standard error?"
                : null,
            $se !== null && $other !== null && $se > $other / 2 && $n > 8
                ? "The standard error of the {$group} is as large as SDs in other studies: is it an SD?"
                : null,
            ...$this->ordered($arm),
        ];
    }

    /** @return list<?string> */
    private function ordered(int $arm): array
    {
        $five = array_values(
            array_filter(
                $this->numbers->all("min{$arm}", "q1{$arm}", "median{$arm}", "q3{$arm}", "max{$arm}"),
                fn (?float $one): bool => $one !== null,
            ),
        );
        $sorted = $five;
        sort($sorted);
        [$mean, $low, $high] = $this->numbers->all("m{$arm}", "low{$arm}", "high{$arm}");

        return [
            $five !== $sorted ? "The median and what stands around it are out of order in the {$this->group($arm)}." : null,
            $mean !== null && $low !== null && $high !== null && ($mean < $low || $mean > $high)
                ? "The interval of the {$this->group($arm)} does not hold its mean."
                : null,
        ];
    }

    /**
     * Where a share or a correlation is told of one group.
     *
     * @return list<?string>
     */
    private function oneGroup(): array
    {
        [$x, $r] = [$this->of(ReportForm::CountOf, 'x'), $this->of(ReportForm::CorrelationOf, 'r')];
        $n = $this->numbers->of('n');

        return [
            $x !== null && ($x < 0 || $x != floor($x)) ? 'What is counted is no whole number.' : null,
            $x !== null && $n !== null && $x > $n ? 'More are counted than there are people.' : null,
            $n !== null && ($n < 1 || $n != floor($n)) ? 'People are no whole number above 0.' : null,
            $r !== null && abs($r) >= 1 ? 'A correlation lies between −1 and 1.' : null,
            $r !== null && $n !== null && $n >= 1 && $n <= 3
                ? 'Of three people or fewer a correlation has no error.'
                : null,
        ];
    }

    private function of(ReportForm $form, string $key): ?float
    {
        return $this->form === $form ? $this->numbers->of($key) : null;
    }

    /**
     * What the design asks for besides.
     *
     * @return list<?string>
     */
    private function design(): array
    {
        [$icc, $cluster, $paired] = $this->numbers->all('icc', 'cluster', 'paired');

        return [
            $icc !== null && ($icc < 0 || $icc > 1) ? 'The intracluster correlation lies between 0 and 1.' : null,
            $cluster !== null && $cluster < 1 ? 'A cluster has at least one person.' : null,
            $paired !== null && abs($paired) > 1 ? 'The correlation within people lies between −1 and 1.' : null,
        ];
    }

    private function error(): ?string
    {
        $se = $this->numbers->of('se');

        return $se !== null && $se <= 0 ? 'A standard error is above 0.' : null;
    }

    /** @return list<?string> */
    private function interval(): array
    {
        [$estimate, $low, $high] = $this->numbers->all('estimate', 'low', 'high');
        $isRatio = $this->form->kind() !== OutcomeKind::Means;
        if ($isRatio && (($estimate !== null && $estimate <= 0) || ($low !== null && $low <= 0))) {
            return ['A ratio and its interval are above 0.'];
        }
        if ($estimate === null || $low === null || $high === null) {
            return [];
        }
        if ($estimate < $low || $estimate > $high) {
            return ['The interval does not hold its estimate.'];
        }
        [$at, $from, $to] = $isRatio ? [log($estimate), log($low), log($high)] : [$estimate, $low, $high];

        return [
            $to > $from && abs($at - ($from + $to) / 2) > self::OFF * ($to - $from)
                ? 'The estimate is far from the middle of its interval'.($isRatio ? ' of logs.' : '.')
                : null,
        ];
    }

    private function sameTwice(): ?string
    {
        foreach (['m' => 'mean', 'median' => 'median'] as $key => $label) {
            [$one, $two] = [$this->numbers->text("{$key}1"), $this->numbers->text("{$key}2")];
            if ($one === $two && ($this->numbers->of("{$key}1") ?? 0.0) != 0) {
                return "The {$label} is the same in both groups: was one typed twice?";
            }
        }

        return null;
    }

    private function apart(): ?string
    {
        [$m1, $sd1, $m2, $sd2] = $this->numbers->all('m1', 'sd1', 'm2', 'sd2');
        if ($m1 === null || $m2 === null || $sd1 === null || $sd2 === null || $sd1 <= 0 || $sd2 <= 0) {
            return null;
        }
        $sds = abs($m1 - $m2) / sqrt(($sd1 ** 2 + $sd2 ** 2) / 2);

        return $sds > self::SDS ? sprintf('The groups differ by %.1f SDs: are these standard errors?', $sds) : null;
    }

    private function chance(): ?string
    {
        $p = $this->numbers->of('p');
        $isChance = in_array($this->form, [ReportForm::DifferenceWithP, ReportForm::RatioWithP], true);

        return $isChance && $p !== null && ($p <= 0 || $p >= 1) ? 'p lies between 0 and 1.' : null;
    }

    private function usualSd(): ?float
    {
        $sds = $this->otherSds;
        sort($sds);

        return count($sds) < 2 ? null : $sds[intdiv(count($sds), 2)];
    }

    private function group(int $arm): string
    {
        return $arm === 1 ? 'intervention group' : 'comparator';
    }
}
