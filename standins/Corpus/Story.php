<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/**
 * What one study did and found, and how it is told.
 *
 * @phpstan-type Topic array{key: string, share: float|int, group: string, people: non-empty-list<array{string,
 *     list<string>}>, does: non-empty-list<array{string, string, list<string>}>, versus: non-empty-list<string>,
 *     outcomes: list<array<int, mixed>>, core: list<string>}
 */
final class Story
{
    /** @var array{string, list<string>} */
    private array $people;

    /** @var array{string, string, list<string>} */
    private array $does;

    private string $versus;

    /** @var list<array<int, mixed>> */
    private array $outcomes;

    private int $size;

    private string $place;

    private string $time;

    private int $sites;

    /**
     * @param  Topic  $topic
     * @param  non-empty-list<string>  $places
     */
    public function __construct(
        private readonly Chance $chance,
        private readonly array $topic,
        private readonly string $design,
        array $places,
    ) {
        $this->people = $chance->one($topic['people']);
        $which = $chance->int(0, count($topic['does']) - 1);
        $this->does = $topic['does'][$which];
        // as many comparisons as interventions means that they belong together
        $this->versus =
            count($topic['versus']) === count($topic['does'])
                ? $topic['versus'][$which]
                : $chance->one($topic['versus']);
        $this->outcomes = $chance->some($topic['outcomes'], $chance->int(2, 3));
        $this->size = match ($design) {
            'crossover' => $chance->int(9, 46),
            'cluster' => $chance->int(140, 1900),
            'cohort' => $chance->int(180, 9400),
            'survey' => $chance->int(96, 3100),
            'interviews' => $chance->int(11, 38),
            'before-after' => $chance->int(22, 260),
            default => $chance->int(24, 420),
        };
        if (preg_match('/wards|units|practices|services/', $this->people[0]) === 1) {
            $this->size = $chance->int(4, 44);
        }
        $this->place = $chance->one($places);
        $this->time = $chance->one([
            'four weeks',
            'eight weeks',
            'three months',
            'six months',
            'twelve weeks',
            'ten consecutive nights',
            'two roster cycles',
            'one winter',
            'a year',
            'six weeks',
            'fourteen days',
        ]);
        $this->sites = $chance->int(2, 14);
    }

    public function facts(): StudyFacts
    {
        return new StudyFacts(
            $this->topic['key'],
            $this->design,
            $this->people[0],
            $this->does[0],
            array_column($this->outcomes, 0),
        );
    }

    public function title(): string
    {
        $c = $this->chance;
        [$people, $does] = [$this->people[0], $this->does[0]];
        $outcome = $this->outcomes[0][0];
        $second = $this->outcomes[1][0];
        $ends = match ($this->design) {
            'trial' => $c->one([
                ': a randomised controlled trial',
                ': randomised trial',
                '. A randomised, controlled study',
                ': a pilot randomised trial',
                ': results of a randomised trial',
                '',
            ]),
            'crossover' => $c->one([
                ': a crossover trial',
                ': a randomised crossover study',
                ': a within-subject comparison',
                '',
            ]),
            'cluster' => $c->one([
                ': a cluster-randomised trial',
                ": a cluster-randomised trial in {$this->numberWord($this->sites)} hospitals",
                ': stepped-wedge trial',
            ]),
            'before-after' => $c->one([
                ': a before-and-after study',
                ': a controlled before-after study',
                ' – an uncontrolled intervention study',
                ': a quality-improvement project',
                '',
            ]),
            'cohort' => $c->one([
                ': a cohort study',
                ': a prospective cohort study',
                ": findings from the {$this->place} cohort",
                ': a register-based study',
                '',
            ]),
            'survey' => $c->one([
                ': a cross-sectional survey',
                ": a survey in {$this->place}",
                ': a questionnaire study',
                '',
                ': cross-sectional findings',
            ]),
            'interviews' => $c->one([
                ': a qualitative study',
                ': an interview study',
                ': perspectives from the ward',
                ": focus groups in {$this->place}",
            ]),
            'systematic' => $c->one([
                ': a systematic review',
                ': systematic review and meta-analysis',
                ': a scoping review',
                ': an umbrella review',
            ]),
            'protocol' => $c->one([': protocol for a randomised trial', ': study protocol', ': rationale and design']),
            default => '',
        };
        $title = match ($this->design) {
            'interviews' => $c->one([
                "How {$people} see {$does}",
                "“You just keep going”: {$outcome} in the accounts of {$people}",
                "Experiences of {$does} among {$people}",
                "Barriers to {$does}: views of {$people}",
                "Living with {$outcome}: {$people} speak",
            ]),
            'systematic', 'narrative' => $c->one([
                "{$does} for {$outcome}",
                "{$does} and {$outcome} in {$people}",
                "What is known about {$does}",
                "{$does}: does it help? The evidence on {$outcome}",
                "{$outcome} in {$people}: causes and countermeasures",
                "Managing {$outcome} in {$people}",
            ]),
            'survey', 'cohort' => $c->one([
                "{$outcome} and {$second} among {$people}",
                "Prevalence and correlates of {$outcome} in {$people}",
                "{$does} and {$outcome} in {$people}",
                "{$outcome} and its relation to {$does}",
                "{$outcome} in {$people} in {$this->place}",
                "Predictors of {$outcome} among {$people}",
            ]),
            'case' => $c->one([
                "{$does} followed by an unusual course",
                "An unexpected reaction to {$does}",
                "Two cases of altered {$outcome} after {$does}",
                "{$outcome} in a patient exposed to {$does}",
            ]),
            'letter' => $c->one([
                "{$does}: a comment",
                "Re: {$does} and {$outcome}",
                "{$outcome} is not everything",
                "More on {$does}",
            ]),
            'editorial' => $c->one([
                "{$does}: promise or practice?",
                "Time to think about {$outcome}",
                "Who looks after {$people}?",
                'Editorial',
                "{$outcome}: old questions, new answers",
            ]),
            default => $c->one([
                "Effect of {$does} on {$outcome} in {$people}",
                "{$does} and {$outcome} in {$people}",
                "{$outcome} in {$people}: what {$does} can and cannot do",
                "{$does} versus {$this->versus} for {$outcome}",
                "{$does} to improve {$outcome} and {$second} in {$people}",
                "{$outcome} and {$second} after {$does}",
                "Influence of {$does} upon {$outcome}",
                "Improving {$outcome} in {$people}: the case of {$does}",
                "{$does} among {$people}",
                "Can {$does} change {$outcome}?",
            ]),
        };

        if (str_ends_with($title, '?') && $ends !== '') {
            $ends = ' '.$this->sentence(ltrim($ends, ':.– '));
        }

        return $this->sentence($title.$ends);
    }

    public function abstract(): string
    {
        $parts = match ($this->design) {
            'trial', 'crossover', 'cluster', 'before-after' => [
                $this->background(),
                $this->trialMethods(),
                $this->trialResults(),
                $this->conclusion(),
            ],
            'cohort', 'survey' => [
                $this->background(),
                $this->observationalMethods(),
                $this->observationalResults(),
                $this->conclusion(),
            ],
            'interviews' => [
                $this->background(),
                $this->interviewMethods(),
                $this->interviewResults(),
                $this->interviewConclusion(),
            ],
            'systematic' => [$this->background(), $this->reviewMethods(), $this->reviewResults(), $this->conclusion()],
            'protocol' => [$this->background(), $this->trialMethods(future: true), '', $this->protocolEnd()],
            'conference' => [$this->pick(1, $this->topic['core']), $this->trialMethods(), $this->trialResults(), ''],
            'case' => [$this->caseReport()],
            default => [$this->background(), $this->narrative()],
        };
        $parts = array_values(array_filter($parts));
        if (count($parts) !== 4 || ! $this->chance->is(0.72)) {
            return implode(' ', $parts);
        }
        $labels = $this->chance->one([
            ['Background', 'Methods', 'Results', 'Conclusions'],
            ['Objectives', 'Methods', 'Results', 'Conclusion'],
            ['Aims', 'Design and setting', 'Findings', 'Interpretation'],
            ['BACKGROUND', 'METHODS', 'RESULTS', 'CONCLUSION'],
            ['Introduction', 'Materials and methods', 'Results', 'Discussion'],
            ['Purpose', 'Method', 'Findings', 'Implications for practice'],
        ]);

        return implode(' ', array_map(fn (string $label, string $part): string => "{$label}: {$part}", $labels, $parts));
    }

    /** @return array{list<string>, list<string>} what it is mainly about, and what else it touches */
    public function ideas(): array
    {
        $c = $this->chance;
        $central = [$this->does[2][0]];
        $central[] = $this->ideasOf($this->outcomes[0])[0];
        $further = [
            ...$this->people[1],
            ...array_slice($this->does[2], 1),
            ...array_merge(...array_map($this->ideasOf(...), array_slice($this->outcomes, 1))),
        ];
        $design = match ($this->design) {
            'trial', 'cluster' => ['Randomisation'],
            'crossover' => ['Crossover design'],
            'cohort' => ['Cohort design'],
            'survey' => ['Questionnaires'],
            'interviews' => ['Interviews'],
            default => [],
        };
        $ages = array_intersect($this->people[1], ['Children', 'Older people', 'Newborn infants']);
        if ($ages === [] && $this->topic['group'] !== 'farm' && $c->is(0.55)) {
            $further[] = 'Adults';
        }

        return [array_values(array_unique($central)), array_values(array_unique([...$further, ...$design]))];
    }

    /**
     * @param  array<int, mixed>  $outcome
     * @return list<string>
     */
    private function ideasOf(array $outcome): array
    {
        return $this->isRate($outcome) ? $outcome[3] : $outcome[5];
    }

    private function isAboutWork(): bool
    {
        return in_array($this->topic['group'], ['work', 'safety', 'transport'], true) ||
            $this->topic['key'] === 'naps-caffeine';
    }

    /** @param  array<int, mixed>  $outcome */
    private function isRate(array $outcome): bool
    {
        return is_float($outcome[1]);
    }

    private function background(): string
    {
        $c = $this->chance;
        [$people, $does, $outcome] = [$this->people[0], $this->does[0], $this->outcomes[0][0]];
        $known = $this->pick($c->int(1, 2), $this->topic['core']);
        $aim =
            $this->design === 'narrative' || $this->design === 'editorial'
                ? ''
                : $c->one([
                    "We tested the effect of {$does} on {$outcome} in {$people}.",
                    "We aimed to determine the effect of {$does} on {$outcome}.",
                    "This study examined {$does} in {$people}.",
                    "To compare {$does} with {$this->versus}.",
                    "Whether {$outcome} in {$people} changes with {$does} is not known.",
                    "Our aim was to find out if {$outcome} and {$this->outcomes[1][0]} respond to {$does}.",
                    "Few studies of {$does} have been carried out outside the laboratory.",
                    "We hypothesised that {$outcome} would differ between {$does} and {$this->versus}.",
                ]);
        if (in_array($this->design, ['survey', 'cohort'], true)) {
            $aim = $c->one([
                "We described {$outcome} in {$people} and looked for factors associated with it.",
                "To estimate how common poor {$outcome} is among {$people}.",
                "We asked how {$does} and {$outcome} are related.",
                "Little is known of {$outcome} in {$people} outside teaching hospitals.",
            ]);
        } elseif ($this->design === 'interviews') {
            $aim = $c->one([
                "We explored how {$people} experience {$does}.",
                "To understand what {$outcome} means to {$people}.",
                "What helps and what hinders {$does} has rarely been asked of those concerned.",
            ]);
        } elseif ($this->design === 'systematic') {
            $aim = $c->one([
                "We reviewed the evidence on {$does} and {$outcome}.",
                "To summarise controlled studies of {$does} in {$people}.",
                "Earlier reviews of {$does} did not look at {$outcome}.",
            ]);
        }

        return trim($c->is(0.78) ? "{$known} {$aim}" : ($aim !== '' ? $aim : $known));
    }

    private function trialMethods(bool $future = false): string
    {
        $c = $this->chance;
        [$people, $does, $versus, $n] = [$this->people[0], $this->does[0], $this->versus, $this->size];
        $units =
            $this->topic['group'] === 'farm'
                ? 'pens'
                : ($this->topic['group'] === 'newborn'
                    ? 'infants'
                    : $c->one(['participants', 'volunteers', 'people', 'persons']));
        $number = $this->numberAtStart($n);
        $sites = $this->numberWord($this->sites);
        $where =
            $this->topic['group'] === 'farm'
                ? "at the {$this->place} research station"
                : $c->one([
                    "at one hospital in {$this->place}",
                    "in {$sites} centres",
                    "from {$sites} sites around {$this->place}",
                    "in the {$this->place} region",
                    "in {$this->place}",
                ]);
        $first = match ($this->design) {
            'crossover' => $c->one([
                "{$number} {$units} ({$people}) received {$does} and {$versus} in random order, {$this->time} apart.",
                "In a crossover design, {$n} {$people} {$where} were exposed to {$does} and to {$versus}.",
                "{$number} {$people} served as their own controls; the order of {$does} and {$versus} was balanced.",
            ]),
            'cluster' => $c->one([
                "{$this->numberAtStart(
                    $this->sites * 2,
                )} units were randomly allocated to {$does} or to {$versus} for {$this->time}; {$n} {$people} took part.",
                "We randomised {$this->numberWord(
                    $this->sites * 2,
                )} sites, with {$n} {$people}, to {$does} or {$versus}.",
            ]),
            'before-after' => $c->one([
                "{$does} was introduced {$where}; {$n} {$people} were observed for {$this->time} before and after.",
                "Measurements were taken in {$n} {$people} {$where} before {$does} and again after {$this->time}.",
                "All {$people} {$where} ({$n} {$units}) took part. {$does} replaced {$versus}.",
            ]),
            default => $future
                ? "We will randomise {$n} {$people} {$where} to {$does} or {$versus} for {$this->time}."
                : $c->one([
                    "{$number} {$people} {$where} were randomised to {$does} or {$versus} for {$this->time}.",
                    "We randomly assigned {$n} {$people} to {$does} (n = ".
                    intdiv($n, 2).
                    ") or {$versus} (n = ".
                    ($n - intdiv($n, 2)).
                    ').',
                    "In this parallel-group trial {$where}, {$n} {$people} received either {$does} or {$versus}.",
                    "{$people} {$where} were allocated by computer to {$does} or to {$versus}; {$n} {$units} were analysed.",
                ]),
        };
        $measured = [];
        foreach ($this->outcomes as $i => $outcome) {
            $measured[] = $this->isRate($outcome)
                ? $c->one([
                    "data on {$outcome[0]} were taken from routine reports",
                    "{$outcome[0]}: by masked chart review",
                    "data on {$outcome[0]} were collected daily",
                ])
                : $c->one([
                    "{$outcome[0]} was assessed with {$outcome[1]}",
                    "{$outcome[0]} was measured by {$outcome[1]}",
                ]);
        }
        $second = $c->one([
            'The primary outcome was '.$this->outcomes[0][0].'.',
            $this->sentence(implode('; ', $measured)).'.',
            $this->sentence($measured[0]).'.',
            'Outcomes were '.$this->list(array_column($this->outcomes, 0)).'.',
        ]);
        $third = $c->one([
            '',
            '',
            'Assessors were masked to allocation.',
            'Analysis was by intention to treat.',
            'Mixed models accounted for repeated measurements.',
            'The wash-out period was one week.',
            'Light levels were logged at eye height.',
            '',
            'Groups were compared with analysis of covariance.',
            'The trial was registered before it began.',
            '',
            '',
            'A sample of this size was needed to show a difference of half a standard deviation.',
            'Missing values were imputed.',
        ]);
        if (
            (str_contains($third, 'Light levels') &&
                ! in_array(
                    $this->topic['key'],
                    ['night-light', 'indoor-light', 'icu-light', 'clock-lab', 'seasonal-mood'],
                    true,
                )) ||
            (str_contains($third, 'wash-out') && $this->design !== 'crossover')
        ) {
            $third = '';
        }

        return $this->sentence(trim("{$first} {$second} {$third}"));
    }

    private function trialResults(): string
    {
        $c = $this->chance;
        $told = [];
        foreach ($this->outcomes as $i => $outcome) {
            $told[] = $this->isRate($outcome) ? $this->rateResult($outcome) : $this->meanResult($outcome);
        }
        $lost = $c->int(1, max(2, intdiv($this->size, 9)));
        $before = $c->one([
            '',
            '',
            '',
            $this->numberAtStart($lost).
            ' '.
            ($lost === 1 ? 'participant was' : 'participants were').
            ' lost to follow-up.',
            'Baseline characteristics were similar.',
            'Adherence was '.$c->int(61, 97).'%.',
        ]);
        $after = $c->one([
            '',
            '',
            '',
            'Headache was reported by '.$c->int(2, 11).'% in the intervention group.',
            'No serious adverse events occurred.',
            'Effects were larger in the first week.',
            'Results did not differ between the sexes.',
            'Sensitivity analyses gave similar estimates.',
            'The effect had faded at follow-up.',
        ]);
        if ($this->topic['group'] === 'farm' && (str_contains($after, 'Headache') || str_contains($after, 'sexes'))) {
            $after = '';
        }

        return trim("{$before} ".implode(' ', $told)." {$after}");
    }

    /** @param  array<int, mixed>  $outcome */
    private function meanResult(array $outcome): string
    {
        [$name, , $unit, $mean, $spread, , $good] = $outcome;
        $c = $this->chance;
        $digits = $mean >= 100 ? 0 : ($mean >= 20 ? 1 : 2);
        $effect = $c->normal(0.25, 0.33) * $good * $spread;
        $group = max(8, intdiv($this->size, 2));
        $error = $spread * sqrt(2 / $group) * ($this->design === 'crossover' ? 0.75 : 1);
        $control = $mean + $c->normal(0, 0.2) * $spread;
        $f = fn (float $value): string => str_replace('-', '−', number_format($value, $digits));
        $low = $f($effect - 1.96 * $error);
        $high = $f($effect + 1.96 * $error);
        $p = $this->pText($effect / $error);
        $sd = $f($spread * (1 + $c->normal(0, 0.08)));

        return $this->sentence(
            $c->one([
                "mean {$name} was {$f($control + $effect)} {$unit} with {$this->does[1]} and {$f(
                    $control,
                )} {$unit} with {$this->versus} (difference {$f($effect)}, 95% CI {$low} to {$high})",
                "{$name} ".($effect * $good > 0 ? 'improved' : 'worsened')." by {$f(abs($effect))} {$unit} ({$p})",
                "the difference in {$name} was {$f($effect)} {$unit} (95% CI {$low} to {$high}; {$p})",
                "{$name}: {$f($control + $effect)} (SD {$sd}) against {$f($control)} {$unit}, {$p}",
                abs($effect / $error) > 1.96
                    ? "{$this->does[1]} ".
                        ($effect > 0 ? 'raised' : 'lowered').
                        " {$name} by ".
                        number_format(abs($effect / $control) * 100, 0).
                        "% ({$p})"
                    : "no clear difference was found in {$name} ({$p})",
            ]),
        ).'.';
    }

    /** @param  array<int, mixed>  $outcome */
    private function rateResult(array $outcome): string
    {
        [$name, $rate, $of, , $good] = $outcome;
        $c = $this->chance;
        $log = $c->normal(0.18, 0.3) * $good;
        $group = max(20, intdiv($this->size, 2)) * 3;
        $control = min(0.85, $rate * exp($c->normal(0, 0.25)));
        $treated = min(0.9, $control * exp($log));
        $error = sqrt((1 - $control) / ($group * $control) + (1 - $treated) / ($group * $treated));
        $f = fn (float $value): string => number_format($value, 2);
        $percent = fn (float $value): string => number_format($value * 100, 1);
        $per = str_contains($of, 'per ');
        $scale = str_contains($of, '1,000') ? 1000 : 100;
        $a = $per ? number_format(($treated * $scale) / 10, 1)." {$of}" : "{$percent($treated)}%";
        $b = $per ? number_format(($control * $scale) / 10, 1) : "{$percent($control)}%";

        return $this->sentence(
            $c->one([
                "{$name}: {$a} with {$this->does[1]}, {$b} with {$this->versus} (rate ratio {$f(exp($log))}, 95% CI {$f(
                    exp($log - 1.96 * $error),
                )} to {$f(exp($log + 1.96 * $error))})",
                "the relative risk of {$name} was {$f(exp($log))} (95% CI {$f(exp($log - 1.96 * $error))} to {$f(
                    exp($log + 1.96 * $error),
                )})",
                "{$name} ".($log > 0 ? 'rose' : 'fell')." from {$b} to {$a} ({$this->pText($log / $error)})",
            ]),
        ).'.';
    }

    private function observationalMethods(): string
    {
        $c = $this->chance;
        [$people, $n] = [$this->people[0], $this->size];
        $names = $this->list(array_column($this->outcomes, 0));
        if ($this->design === 'cohort') {
            return $c->one([
                "We followed {$n} {$people} in {$this->place} for ".
                $c->int(1, 12).
                ' years. '.
                $this->sentence("exposure to {$this->does[0]} was taken from rosters and questionnaires."),
                "Records of {$n} {$people} were linked with payroll data. Hazard ratios were adjusted for age, sex and seniority.",
                "{$this->numberAtStart($n)} {$people} gave information at baseline and after ".
                $c->int(2, 6).
                " years on {$names}.",
            ]);
        }

        return $c->one([
            'A questionnaire was sent to '.
            ($n + $c->int(40, 900)).
            " {$people}; {$n} replied. Items covered {$names}.",
            "{$this->numberAtStart($n)} {$people} from {$this->numberWord(
                $this->sites,
            )} sites completed a survey on {$names}.",
            "In this cross-sectional study, {$people} in {$this->place} (n = {$n}) were asked about {$names}. Logistic regression was used.",
            "An anonymous online form was open for {$this->time}. We analysed {$n} answers.",
        ]);
    }

    private function observationalResults(): string
    {
        $c = $this->chance;
        $told = [
            'Response was '.$c->int(34, 88).'%.',
            'Poor '.
            $this->outcomes[0][0].
            ' was reported by '.
            $c->int(14, 63).
            '% (95% CI '.
            $c->int(9, 13).
            ' to '.
            $c->int(64, 70).
            ').',
        ];
        $share = $c->int(16, 58);
        $told[1] =
            "Unfavourable {$this->outcomes[0][0]} was found in {$share}% (95% CI ".
            ($share - $c->int(2, 5)).
            ' to '.
            ($share + $c->int(2, 5)).
            ').';
        $odds = exp($c->normal(0.3, 0.35));
        $error = (2.2 / sqrt(max(60, $this->size))) * 1.96;
        $f = fn (float $value): string => number_format($value, 2);
        $what = $c->one(
            $this->isAboutWork()
                ? [
                    'more than five nights a month',
                    'age above 45 years',
                    'commuting over 40 minutes',
                    'children at home',
                    'fewer than ten years of service',
                    $this->does[0],
                    'late chronotype',
                    'a second job',
                ]
                : [
                    'female sex',
                    'living alone',
                    'low income',
                    'earlier treatment',
                    'body-mass index',
                    'distance to the clinic',
                    $this->does[0],
                    'age',
                ],
        );
        $told[] = $c->one([
            "It was associated with {$what} (odds ratio {$f($odds)}, 95% CI {$f($odds * exp(-$error))} to {$f(
                $odds * exp($error),
            )}).",
            "After adjustment, {$what} remained a predictor (OR {$f($odds)}; {$this->pText(
                log($odds) / ($error / 1.96),
            )}).",
            "No association was seen with {$what} ({$this->pText($c->normal(0, 0.6))}).",
        ]);
        $r = min(0.71, abs($c->normal(0.25, 0.15)));
        $told[] = $c->one([
            '',
            $this->sentence("{$this->outcomes[0][0]} and {$this->outcomes[1][0]} were correlated (r = {$f($r)})."),
            $this->isAboutWork()
                ? 'Respondents named '.
                    $c->one(['staffing', 'noise', 'rosters', 'darkness', 'missed breaks']).
                    ' as the main cause.'
                : '',
            '',
        ]);

        return trim(implode(' ', array_filter($c->is(0.5) ? $told : array_slice($told, 1))));
    }

    private function interviewMethods(): string
    {
        $c = $this->chance;

        return $c->one([
            "Semi-structured interviews with {$this->size} {$this->people[0]} in {$this->place} were recorded, transcribed and analysed thematically.",
            'We held '.
            $c->int(3, 7).
            " focus groups with {$this->size} {$this->people[0]}. Two researchers coded the transcripts independently.",
            "{$this->numberAtStart($this->size)} {$this->people[0]} were interviewed by telephone".
            ($this->isAboutWork() ? ' between shifts' : '').
            '. Framework analysis was used.',
            'Field notes from '.
            $c->int(60, 240).
            " hours of observation were combined with {$this->size} interviews.",
        ]);
    }

    private function interviewResults(): string
    {
        $c = $this->chance;
        $themes = $c->some(
            ! $this->isAboutWork()
                ? [
                    'waiting',
                    'being listened to',
                    'costs and effort',
                    'family as helpers',
                    'keeping control',
                    'conflicting advice',
                    'hope and doubt',
                    'finding a routine',
                    'the look of others',
                    'what counts as better',
                    'giving up and starting again',
                ]
                : [
                    'doing without',
                    'being seen',
                    'the long last hours',
                    'who decides about the switch',
                    'glare and comfort',
                    'guilt about resting',
                    'patients come first',
                    'tricks passed on by colleagues',
                    'driving home',
                    'equipment that breaks',
                    'trust between shifts',
                    'unspoken rules',
                    'family time',
                    'management from afar',
                ],
            3,
        );

        return $c->one([
            "Three themes emerged: {$this->list($themes)}.",
            "Accounts centred on {$this->list($themes)}.",
            $this->sentence("{$this->list($themes)} shaped what people did."),
        ]).
            ' '.
            $c->one([
                "Participants valued {$this->does[1]} but doubted that it would last.",
                "Opinions on {$this->does[1]} were divided.",
                $this->isAboutWork()
                    ? 'Younger staff described more freedom than older staff.'
                    : 'Those with longer experience were calmer.',
                "Most had never been asked about {$this->outcomes[0][0]} before.",
                'Small adaptations mattered more than formal rules.',
            ]);
    }

    private function interviewConclusion(): string
    {
        return $this->chance->one([
            "Those who introduce {$this->does[1]} should ask those concerned first.",
            $this->isAboutWork()
                ? 'Interventions need to fit the rhythm of the ward.'
                : 'Programmes need to fit daily life.',
            "{$this->sentence($this->outcomes[0][0])} is talked about less than it is felt.",
            $this->isAboutWork() ? 'Support from supervisors was decisive.' : 'Support was decisive.',
            $this->isAboutWork()
                ? 'Policies on paper did not reach the people on duty.'
                : 'Information came too late for most.',
        ]);
    }

    private function reviewMethods(): string
    {
        $c = $this->chance;

        return $c->one([
            'We searched '.
            $this->numberWord($c->int(3, 9)).
            ' databases to '.
            $c->one(['January', 'March', 'June', 'October']).
            " for controlled studies of {$this->does[0]}. Two reviewers selected studies and judged risk of bias.",
            "Studies of {$this->does[0]} in {$this->people[0]} were sought in ".
            $this->numberWord($c->int(3, 8)).
            ' databases and in reference lists. Effects were pooled with random-effects models.',
            'Records were screened in duplicate. We included trials and before-after studies in any language.',
        ]);
    }

    private function reviewResults(): string
    {
        $c = $this->chance;
        $k = $c->int(4, 41);
        $effect = $c->normal(-0.28, 0.2);
        $width = 0.9 / sqrt($k);
        $f = fn (float $value): string => str_replace('-', '−', number_format($value, 2));

        return "Of {$this->thousands($c->int(310, 6200))} records, {$k} studies with {$this->thousands(
            $k * $c->int(28, 190),
        )} participants were included. ".
            $c->one([
                "The pooled standardised mean difference in {$this->outcomes[0][0]} was {$f($effect)} (95% CI {$f(
                    $effect - $width,
                )} to {$f($effect + $width)}; I² = {$c->int(0, 88)}%).",
                "Findings on {$this->outcomes[0][0]} were inconsistent, and ".
                $c->int(3, max(4, $k - 1)).
                ' studies were at high risk of bias.',
                'Doses and timing differed so widely that results were not pooled.',
            ]).
            ' '.
            $c->one([
                '',
                'Certainty was low.',
                'Few studies lasted longer than a month.',
                'Harms were rarely reported.',
            ]);
    }

    private function protocolEnd(): string
    {
        return $this->chance->one([
            'Recruitment started in '.
            $this->chance->one(['spring', 'autumn']).
            ' and results are expected in two years.',
            'The protocol was approved by the regional ethics board. Findings will be published whatever they are.',
            "The trial will show whether {$this->does[1]} is worth its cost.",
        ]);
    }

    private function conclusion(): string
    {
        $c = $this->chance;
        [$people, $does, $outcome] = [$this->people[0], $this->does[1], $this->outcomes[0][0]];
        if (in_array($this->design, ['survey', 'cohort'], true)) {
            return $this->sentence(
                $c->one([
                    "{$outcome} was a common concern among {$people}.",
                    'causal conclusions cannot be drawn from these data.',
                    "longitudinal data on {$outcome} are needed.",
                    "those who plan for {$people} should know these figures.",
                    'differences between sites were larger than expected.',
                    "{$outcome} and {$this->outcomes[1][0]} should be looked at together.",
                    'the findings call for local surveys before anything is changed.',
                    "our figures are lower than those reported from {$this->place} before.",
                ]),
            );
        }

        return $this->sentence(
            $c->one([
                "{$does} may be a simple way to influence {$outcome} in {$people}.",
                "{$does} had a small effect on {$outcome} that needs confirmation.",
                "The results do not support routine use of {$does}.",
                "larger trials should measure {$this->outcomes[1][0]} as well.",
                "{$does} was feasible and well accepted.",
                "whether these effects last beyond {$this->time} remains open.",
                "{$outcome} deserves more attention in {$people}.",
                "{$does} cannot be recommended without data on {$this->outcomes[1][0]}.",
                "the gain in {$outcome} was smaller than expected.",
                'effects of this size would matter if they were confirmed.',
                "those with the worst {$outcome} at the outset had most to gain.",
                "benefits for {$outcome} have to be weighed against costs.",
                "anyone considering {$does} should evaluate it locally.",
                'we found no reason to change current practice.',
            ]),
        );
    }

    private function narrative(): string
    {
        $c = $this->chance;

        return implode(
            ' ',
            $c->some(
                [
                    "This article summarises what is known about {$this->does[0]} and where opinion differs.",
                    "We outline mechanisms, practical questions and gaps in research on {$this->outcomes[0][0]}.",
                    "Recommendations for {$this->people[0]} are given.",
                    "Much advice on {$this->outcomes[0][0]} rests on small studies in volunteers.",
                    'Costs, comfort and timing are discussed in turn.',
                    "{$this->sentence($this->versus)} remains the usual comparison, for want of a better one.",
                    "The history of the field since {$c->int(1955, 1995)} is traced.",
                ],
                $c->int(2, 3),
            ),
        );
    }

    private function caseReport(): string
    {
        $c = $this->chance;
        $who =
            $c->one(['woman', 'man']).
            ($c->is(0.4) ? ' employed as a '.$c->one(['nurse', 'porter', 'driver', 'baker', 'technician']) : '');

        return "A {$c->int(23, 71)}-year-old {$who} presented with ".
            $c->one([
                'irritability',
                'unusual tiredness',
                'blurred vision',
                'sleeplessness',
                'palpitations',
                'headache',
            ]).
            " {$c->int(2, 21)} days after the start of {$this->does[0]}. ".
            $c->one([
                'Symptoms resolved when exposure was reduced.',
                'Examination and laboratory tests were normal.',
                'The course was protracted, with recovery after some months.',
            ]).
            ' '.
            $c->one([
                "Clinicians should ask about {$this->does[1]}.",
                'We discuss possible explanations.',
                'To our knowledge this has not been described before.',
            ]);
    }

    private function pText(float $z): string
    {
        // two-sided p of a standard normal deviate, by Abramowitz and Stegun 7.1.26
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $p =
            $t *
            (0.254829592 + $t * (-0.284496736 + $t * (1.421413741 + $t * (-1.453152027 + $t * 1.061405429)))) *
            exp(-$x * $x);

        return match (true) {
            $p < 0.001 => 'p < 0.001',
            $p < 0.1 => 'p = '.number_format($p, 3),
            default => 'p = '.number_format($p, 2),
        };
    }

    /** @param  list<string>  $of */
    private function pick(int $count, array $of): string
    {
        return implode(' ', $this->chance->some($of, $count));
    }

    /** @param  list<string>  $items */
    private function list(array $items): string
    {
        $last = array_pop($items);

        return $items === [] ? (string) $last : implode(', ', $items)." and {$last}";
    }

    private function sentence(string $text): string
    {
        $text = (string) preg_replace_callback(
            '/(?<=[.!?] )\p{Ll}/u',
            fn (array $m): string => mb_strtoupper($m[0]),
            trim((string) preg_replace('/\s+/', ' ', $text)),
        );

        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    private function thousands(int $number): string
    {
        return number_format($number);
    }

    private function numberWord(int $number): string
    {
        return [
            'zero',
            'one',
            'two',
            'three',
            'four',
            'five',
            'six',
            'seven',
            'eight',
            'nine',
            'ten',
            'eleven',
            'twelve',
        ][$number] ?? number_format($number);
    }

    private function numberAtStart(int $number): string
    {
        $tens = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
        $word = match (true) {
            $number <= 12 => $this->numberWord($number),
            $number < 20 => ['thirteen', 'fourteen', 'fifteen', 'sixteen', 'seventeen', 'eighteen', 'nineteen'][
                $number - 13
            ],
            $number < 100 => $tens[intdiv($number, 10)].
                ($number % 10 === 0 ? '' : '-'.$this->numberWord($number % 10)),
            default => 'A total of '.number_format($number),
        };

        return ucfirst($word);
    }
}
