<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Columns;
use WaryHeron\Core\Coding\Lead\Count;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\People;
use WaryHeron\Core\Coding\Lead\Told\GroupsTogether;
use WaryHeron\Core\Coding\Lead\Told\NearCount;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** How many persons entered a study, and how many were in its analysis. */
final class CountReader implements LeadReader
{
    private const TELLING = [SectionKind::Abstract, SectionKind::Results, SectionKind::Methods, SectionKind::Title];

    /** What is said of people at each stage; a count before it or right after it is theirs. */
    private const ENTERED = [
        '(?:were|was|are) (?:then |all |finally |thus )?(?:randomly |individually )?(?:randomi[sz]ed|allocated|assigned|divided|allotted)' => 1.5,
        self::BY_LOT => 1.0,
        '(?:were |was )?(?:enrolled|recruited|included in the (?:study|trial|cohort)|entered (?:the|into)|registered at baseline)' => 1.2,
        '(?:agreed|consented|gave (?:written |informed )*consent|took part|participated|volunteered|accepted|joined)' => 0.9,
        '(?:responded|replied|returned|answered|filled in|completed (?:the|a) (?:questionnaire|survey|first|baseline))' => 0.9,
        '(?:were|was) included(?=[.,;]|$)' => 1.0,
        '(?:were |was )?interviewed' => 0.9,
        'interviews? (?:were |was )?(?:conducted|held|carried out|done) with' => 0.9,
        '(?:questionnaires?|answers|replies|forms) (?:came back|were returned|were received|came) from' => 1.0,
        'we (?:then |first )?(?:randomly )?(?:randomi[sz]ed|assigned|allocated|recruited|enrolled|included)' => 1.3,
        '(?:began|started|entered) (?:the )?(?:study|trial|programme|treatment|course)' => 1.0,
        'we (?:followed|studied|observed|surveyed|examined|asked)' => 0.7,
    ];

    private const ANALYSED = [
        '(?:contributed|provided (?:\p{L}+ )?data|gave data|entered|went|were entered) (?:to|into|in|for) the (?:\p{L}+ ){0,2}analys[ei]s' => 1.8,
        '(?:were |was |are )?(?:included|retained|kept|left|available|used) (?:in|for) (?:the |our )?(?:\p{L}+[ -]){0,3}analys[ei]s' => 1.7,
        '(?:were |was )?analy[sz]ed' => 1.4,
        '(?:analys[ei]s|results?|figures) (?:therefore |thus |then |here )?(?:rests? on|includ\w+|compris\w+|(?:is|was|are|were) based on|concern\w*|covers?) (?:the |all )?' => 1.7,
        '(?:are|were) in the (?:\p{L}+ ){0,2}analys[ei]s' => 1.7,
        '(?:were |was )?available (?:for|from|in|of)' => 1.1,
        'had (?:a |an |their )?(?:valid |usable |final |second )?(?:\p{L}+ )?(?:scores?|outcomes?|measurements?|recordings?|results?|data)' => 0.8,
        '(?:we )?could (?:test|measure|assess|analy[sz]e|follow|be (?:tested|measured|assessed|analy[sz]ed|followed))' => 1.1,
        '(?:are|were|is) reported (?:here|on)?' => 0.9,
        '(?:analys[ei]s (?:set|population|sample)|analy[sz]able|evaluable)' => 1.2,
        '(?:leaving|leaves|which leaves|were left(?: for)?|there remained|remained|remaining)' => 0.9,
        'completed(?=[.;,]|$)' => 0.9,
        '(?:sat|took|did) the (?:\p{L}+ )?(?:test|exam\w*|assessment)' => 1.0,
        '(?:completed (?:both|all|the (?:study|trial|follow|programme|second|final|course)|follow)|completers)' => 1.0,
        '(?:(?:with |had |have |provided |gave )?(?:complete|paired|valid|full|usable|(?:primary )?outcome) (?:data|records?|pairs|measurements?|sets)|outcome (?:data )?(?:was|were) (?:known|available|obtained|measured))' => 1.1,
        '(?:were |was )?(?:assessed|measured|followed up|seen|tested) (?:both |again |at (?:the end|\p{L}+ (?:weeks|months)|follow))' => 1.0,
    ];

    private const DENIED = '/\b(?:not|declined|refused|withdrew|withdrawn|lost|died|dropped|excluded|ineligible|screened|invited|approached|eligible|contacted|were sent|missed|missing|moved|stopped|unable|left out|pilot\w*|beforehand|in advance)\b/iu';

    private const ARM = '/^[^.;,()]{0,30}\b(?:to|in|per|on|of) (?:each|the \p{L}+(?:[ -]\p{L}+)?) (?:group|arm|condition|wards?|schools?|homes?|sequence)\b|^[^.;,()]{0,20}\b(?:per|each) (?:group|arm)\b|^ (?:intervention|control|programme|exposed)\b|^ to \p{L}/iu';

    private const DESCRIBES = '/^(?:randomi[sz]ed|enrolled|recruited|included|assigned) \p{L}+s\b/iu';

    /** What leads right up to the count that it is said of: “the analysis set was”, “the analysis rests on”. */
    private const LEADING = '/\b(?:was|were|is|are|comprised|numbered|of|on|includ(?:ed|es)|compris(?:es|ing)) (?:the |all )?$/u';

    private const BY_LOT = 'randomi[sz]ed|were drawn by lot';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number && $this->stage($item) !== null;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $stage = $this->stage($item) ?? 'entered';
        $leads = $this->told($paper, $stage);
        if (! self::isTold($leads)) {
            $leads = [...$leads, ...$stage === 'analysed' ? $this->asEntered($paper) : [], ...$this->whole($paper)];
        }

        return $leads;
    }

    /** @param  list<Lead>  $leads */
    private static function isTold(array $leads): bool
    {
        return $leads !== [] && max(array_column($leads, 'score')) >= 2.0;
    }

    /** @return list<Lead> where nothing is said of an analysis, nobody may have been lost */
    private function asEntered(Passages $paper): array
    {
        $weighed = fn (Lead $lead): Lead => $lead->weighed(-1.2, 'nobody is said to have been lost');

        return array_map($weighed, $this->told($paper, 'entered'));
    }

    /** @return list<Lead> what is said of people at a stage; those who entered are asked for by two items */
    private function told(Passages $paper, string $stage): array
    {
        $cues = $stage === 'analysed' ? self::ANALYSED : self::ENTERED;
        $all = fn (): array => [...$this->atStage($paper, $cues), ...$this->summed($paper, $stage)];

        return $paper->once("people {$stage}", fn (): array => $this->agreeing($all()));
    }

    private function stage(AskedItem $item): ?string
    {
        return match (true) {
            $item->isAbout('analys|analyz|complet|evaluab') => 'analysed',
            $item->isAbout('random|enrol|recruit|participants|sample size|included') &&
                ! $item->isAbout('%|per cent|percent|age\b') => 'entered',
            default => null,
        };
    }

    /**
     * @param  array<string, float>  $cues
     * @return list<Lead>
     */
    private function atStage(Passages $paper, array $cues): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            // a row counts each group by itself
            $isOther = $passage->kind === BlockKind::Heading || $passage->isRow()
                || Traps::isCited($passage) || Traps::isPlanned($passage->text);
            array_push($leads, ...$isOther ? [] : $this->inPassage($passage, $cues));
        }

        return $leads;
    }

    /**
     * @param  array<string, float>  $cues
     * @return list<Lead>
     */
    private function inPassage(Passage $passage, array $cues): array
    {
        $text = self::withoutBrackets($passage->text);
        $counts = People::counts($text);
        $leads = $this->together($passage, $counts, $text, $cues);
        foreach ($counts === [] ? [] : $cues as $cue => $weight) {
            preg_match_all("/\b(?:{$cue})\b/iu", $text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$said, $at]) {
                $near = $this->nearest($counts, $text, $said, $at);
                if ($near !== null) {
                    $score = 1.0 + $weight + Traps::trust($passage->section) + $this->weight($near, $text);
                    $told = Figures::told($near->count->value);
                    $leads[] = Lead::from($passage, $told, $score, "“{$said}” is said of so many");
                }
            }
        }

        return $leads;
    }

    private function weight(NearCount $near, string $text): float
    {
        $count = $near->count;
        $clusters = People::CLUSTERS;
        $isClusters = ! $count->person && preg_match("/\b{$clusters}\b/iu", $near->between) === 1;
        $areClusters = $isClusters && preg_match("/^(?: \p{L}+(?:-\p{L}+)*)?? {$clusters}\b/iu", $near->between) === 1;
        $isOfCases = preg_match('/^ cases\b(?! and\b)/iu', substr($text, $count->end, 20)) === 1;

        return ($count->person ? 0.3 : 0.0) - ($isOfCases ? 0.8 : 0.0) -
            (preg_match(self::DENIED, $near->between) === 1 ? 1.6 : 0.0) -
            ($isClusters ? 1.2 : 0.0) - ($areClusters ? 1.5 : 0.0) -
            min(0.6, strlen($near->between) / 150) -
            (preg_match(self::ARM, substr($text, $count->end, 60)) === 1 ? 1.1 : 0.0) -
            ($count->value < 12 ? 0.5 : 0.0);
    }

    /** Brackets hold the parts of a count; the places of the rest stay. */
    private static function withoutBrackets(string $text): string
    {
        return (string) preg_replace_callback(
            '/\([^()]*\)/',
            fn (array $found): string => str_repeat(' ', strlen($found[0])),
            $text,
        );
    }

    /**
     * Groups that a sentence counts one after the other, together.
     *
     * @param  list<Count>  $counts
     * @param  array<string, float>  $cues
     * @return list<Lead>
     */
    private function together(Passage $passage, array $counts, string $text, array $cues): array
    {
        $people = array_values(array_filter($counts, fn (Count $count): bool => $count->person));
        $sum = (isset($cues[self::BY_LOT]) ? GroupsTogether::allocated($people, $text, $passage->text) : null)
            ?? GroupsTogether::alike($people, $text, array_keys($cues));
        $score = 3.2 + Traps::trust($passage->section);

        return $sum === null ? [] : [Lead::from($passage, Figures::told($sum), $score, 'the groups together')];
    }

    /**
     * The count that a cue is about: the last before it in the same clause, or the one right after it. Of "so many of
     * so many" it is the first.
     *
     * @param  list<Count>  $counts
     */
    private function nearest(array $counts, string $text, string $said, int $at): ?NearCount
    {
        $best = self::led($counts, $text, $said, $at + strlen($said));
        if ($best !== null) {
            return $best;
        }
        $end = $at + strlen($said);
        // “leaving 57”: never what stands before it
        $counts = preg_match('/\bleav(?:ing|es)$/iu', $said) === 1 ? self::from($counts, $end) : $counts;
        // “three of the 51 randomised nurses”: it is said of the 51
        $describes = preg_match(self::DESCRIBES, substr($text, $at, strlen($said) + 30)) === 1;
        foreach ($counts as $i => $count) {
            $words = self::between($count, $text, $at, $end);
            $isFurther = ($count->at >= $end && ($best !== null || ! self::isRightAfter((string) $words)))
                || ($best !== null && strlen((string) $words) >= strlen($best->between));
            if ($words === null || $isFurther || self::isPartOf($best, $count, $text)) {
                continue;
            }
            $isOwn = $describes && trim($words) === '';
            $whole = $isOwn ? $count : self::ofSoMany($counts[$i - 1] ?? null, $count, $text);
            $best = new NearCount($whole, $words);
        }

        return $best;
    }

    /**
     * The count that what is said leads right up to.
     *
     * @param  list<Count>  $counts
     */
    private static function led(array $counts, string $text, string $said, int $end): ?NearCount
    {
        foreach ($counts as $count) {
            $isAfter = $count->at >= $end && $count->at < $end + 10;
            $words = $isAfter ? substr($text, $end, $count->at - $end) : '';
            $isNear = $isAfter && preg_match('/\d/', $words) !== 1;
            if ($isNear && preg_match(self::LEADING, $said.$words) === 1) {
                return new NearCount($count, '');
            }
        }

        return null;
    }

    /** “64 nurses, 33 to lamps and 31 to usual light, were …”: between commas, parts of those before are counted. */
    private static function isPartOf(?NearCount $whole, Count $count, string $text): bool
    {
        $after = '/^(?: \p{L}+)? (?:to|in|per|of|from|on) [^,;.]{2,60},/u';

        return $whole !== null && $whole->count->person && $count->value < $whole->count->value
            && preg_match($after, substr($text, $count->end, 90)) === 1
            && preg_match('/(?:,| and) $/', $count->before($text, 5)) === 1;
    }

    /**
     * @param  list<Count>  $counts
     * @return list<Count> those that stand after a place
     */
    private static function from(array $counts, int $end): array
    {
        return array_values(array_filter($counts, fn (Count $count): bool => $count->at >= $end));
    }

    /** The words between a count and what is said from one place to another; null where they are not of one clause. */
    private static function between(Count $count, string $text, int $from, int $to): ?string
    {
        $words = match (true) {
            $count->at >= $to => substr($text, $to, $count->at - $to),
            $count->end <= $from => substr($text, $count->end, $from - $count->end),
            default => null,
        };

        $isFar = strlen(trim((string) $words)) > 110 || preg_match('/[;:]|\.\s/u', (string) $words) === 1;

        return $isFar ? null : $words;
    }

    private static function isRightAfter(string $words): bool
    {
        return strlen(trim($words)) <= 22 && preg_match('/\bto\b|\bat\b|\bwith\b|,/iu', $words) !== 1;
    }

    /** Of "so many of so many" the first, of what the second counts; else the count itself. */
    private static function ofSoMany(?Count $before, Count $count, string $text): Count
    {
        $of = $before === null ? '' : substr($text, $before->end, $count->at - $before->end);

        $isOf = '/^\s+(?:out )?of (?:the |these |those |all |some |an? (?:planned|intended|expected) )*$/iu';

        return $before !== null && preg_match($isOf, $of) === 1
            ? new Count($before->value, $before->at, $before->end, $count->person)
            : $count;
    }

    /**
     * What the heads of a table's columns say of each group, together.
     *
     * @return list<Lead>
     */
    private function summed(Passages $paper, string $stage): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            $table = implode('|', $passage->heads);
            if (! $passage->isRow() || $table === '' || isset($leads[$table])) {
                continue;
            }
            $columns = Columns::of($passage);
            $arms = array_slice($columns->figures, 0, $columns->arms());
            $sizes = array_filter(array_column($arms, 'n'));
            $isOfAll = count($sizes) > 1 && count($sizes) === count($arms) && $columns->whole() === null;
            if ($isOfAll && self::isOfStage($passage, $paper, $stage)) {
                $told = Figures::told(array_sum($sizes));
                $leads[$table] = Lead::from($passage, $told, 2.2, 'the groups of the table together');
            }
        }

        return array_values($leads);
    }

    /** Whether a row's table counts people at a stage: a table of what they are like counts those who entered. */
    private static function isOfStage(Passage $row, Passages $paper, string $stage): bool
    {
        $rows = array_filter($paper->told(), fn (Passage $one): bool => $one->heads === $row->heads);
        $labels = implode(' ', array_map(fn (Passage $one): string => $one->cells[0] ?? '', $rows));
        $isBaseline = preg_match('/\b(?:age|sex|women|men|female)\b/iu', $labels) === 1;

        return ($stage === 'entered') === $isBaseline ||
            preg_match('/\bcases?\b/iu', implode(' ', $row->heads)) === 1;
    }

    /**
     * What several passages say counts for more.
     *
     * @param  list<Lead>  $leads
     * @return list<Lead>
     */
    private function agreeing(array $leads): array
    {
        $said = [];
        foreach ($leads as $lead) {
            $said[$lead->value][$lead->quote] = true;
        }

        return array_map(
            fn (Lead $lead): Lead => count($said[$lead->value]) > 1
                ? $lead->weighed(0.45, 'said more than once')
                : $lead,
            $leads,
        );
    }

    /** @return list<Lead> counts of persons that stand alone, as where one number only is given */
    private function whole(Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            $isElsewhere = ! in_array($passage->section, self::TELLING, true) || $passage->isRow();
            if (! $isElsewhere && ! Traps::isCited($passage) && ! Traps::isPlanned($passage->text)) {
                array_push($leads, ...self::byRate($passage), ...self::byLetter($passage), ...self::byPeople($passage));
            }
        }

        return $this->agreeing($leads);
    }

    /** @return list<Lead> “a response rate of 71% (64 of 90)” */
    private static function byRate(Passage $passage): array
    {
        $rate = '/\b(?:response|participation) rate\b[^.;()]{0,30}\(('.Figures::PATTERN.')\s*(?:out of|of|\/)\s*\d/iu';
        $value = preg_match($rate, $passage->text, $found) === 1 ? Figures::value($found[1]) : null;
        $score = 2.2 + Traps::trust($passage->section);

        return $value === null ? [] : [Lead::from($passage, Figures::told($value), $score, 'so many responded')];
    }

    /** @return list<Lead> “(n = 128)” */
    private static function byLetter(Passage $passage): array
    {
        $n = '/\(\s*[Nn]\s*=\s*(\d[\d,]*)\s*\)|\b[Nn]\s*=\s*(\d[\d,]*)/u';
        if (preg_match($n, $passage->text, $found) !== 1) {
            return [];
        }
        $value = Figures::value($found[1] !== '' ? $found[1] : $found[2] ?? '');
        $score = 1.5 + Traps::trust($passage->section);

        return $value === null ? [] : [Lead::from($passage, Figures::told($value), $score, 'n = so many')];
    }

    /** @return list<Lead> “128 nurses” */
    private static function byPeople(Passage $passage): array
    {
        $leads = [];
        foreach (People::counts(self::withoutBrackets($passage->text)) as $count) {
            $isFirst = strspn($passage->text, ' ') >= $count->at;
            $isOfThose = preg_match('/\d (?:out )?of (?:the )?$/', $count->before($passage->text, 20)) === 1;
            $isDenied = preg_match(self::DENIED, substr($passage->text, $count->at, 80)) === 1;
            if ($count->person && ! $isOfThose && ! $isDenied) {
                $few = $count->value < 12 ? 0.5 : 0.0;
                $score = 1.0 + Traps::trust($passage->section) + ($isFirst ? 0.3 : 0.0) - $few;
                $leads[] = Lead::from($passage, Figures::told($count->value), $score, 'so many people are spoken of');
            }
        }

        return $leads;
    }
}
