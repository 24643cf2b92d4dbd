<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Columns;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\People;
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
        'randomi[sz]ed|were drawn by lot' => 1.0,
        '(?:were |was )?(?:enrolled|recruited|included in the (?:study|trial|cohort)|entered (?:the|into)|registered at baseline)' => 1.2,
        '(?:agreed|consented|gave (?:written |informed )*consent|took part|participated|volunteered|accepted|joined)' => 0.9,
        '(?:responded|replied|returned|answered|filled in|completed (?:the|a) (?:questionnaire|survey|first|baseline))' => 0.9,
        '(?:were |was )?interviewed' => 0.9,
        'we (?:then |first )?(?:randomly )?(?:randomi[sz]ed|assigned|allocated|recruited|enrolled|included)' => 1.3,
        'we (?:followed|studied|observed|surveyed|examined|asked)' => 0.7,
    ];

    private const ANALYSED = [
        '(?:contributed|provided data|gave data|entered|went|were entered) (?:to|into|in|for) the (?:\p{L}+ ){0,2}analys[ei]s' => 1.8,
        '(?:were |was |are )?(?:included|retained|kept|left|available|used) (?:in|for) (?:the |our )?(?:\p{L}+[ -]){0,3}analys[ei]s' => 1.7,
        '(?:were |was )?analy[sz]ed' => 1.4,
        '(?:analys[ei]s|results?|figures) (?:therefore |thus |then |here )?(?:rests? on|includ\w+|compris\w+|(?:is|was|are|were) based on|concern\w*|covers?) (?:the |all )?' => 1.7,
        '(?:are|were) in the (?:\p{L}+ ){0,2}analys[ei]s' => 1.7,
        '(?:were |was )?available (?:for|from|in|of)' => 1.1,
        'had (?:a |an |their )?(?:valid |usable |final |second )?(?:\p{L}+ )?(?:scores?|outcomes?|measurements?|recordings?|results?)' => 0.8,
        '(?:we )?could (?:test|measure|assess|analy[sz]e|follow|be (?:tested|measured|assessed|analy[sz]ed|followed))' => 1.1,
        '(?:are|were|is) reported (?:here|on)?' => 0.9,
        '(?:analys[ei]s (?:set|population|sample)|analy[sz]able|evaluable)' => 1.2,
        '(?:leaving|leaves|which leaves|were left(?: for)?|there remained|remained|remaining)' => 0.9,
        '(?:completed (?:both|all|the (?:study|trial|follow|programme|second|final|course)|follow)|completers)' => 1.0,
        '(?:(?:with |had |have |provided |gave )?(?:complete|paired|valid|full|usable|primary outcome) (?:data|records?|pairs|measurements?|sets)|outcome (?:data )?(?:was|were) (?:known|available|obtained|measured))' => 1.1,
        '(?:were |was )?(?:assessed|measured|followed up|seen|tested) (?:both |again |at (?:the end|\p{L}+ (?:weeks|months)|follow))' => 1.0,
    ];

    private const DENIED = '/\b(?:not|declined|refused|withdrew|withdrawn|lost|died|dropped|excluded|ineligible|screened|invited|approached|eligible|contacted|were sent|missed|moved|stopped|unable)\b/iu';

    private const ARM = '/^[^.;,()]{0,30}\b(?:to|in|per|on|of) (?:each|the \p{L}+(?:[ -]\p{L}+)?) (?:group|arm|condition|wards?|schools?|homes?|sequence)\b|^[^.;,()]{0,20}\b(?:per|each) (?:group|arm)\b|^ (?:intervention|control|programme|exposed)\b/iu';

    private const CLUSTERS = '/\b(?:wards?|schools?|homes?|units?|practices|classes|clinics|hospitals|villages|teams|stations|depots|sites|clusters?)\b/iu';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number && $this->stage($item) !== null;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $stage = $this->stage($item) ?? 'entered';
        $cues = $stage === 'analysed' ? self::ANALYSED : self::ENTERED;
        $leads = [];
        foreach ($paper->told() as $passage) {
            if ($passage->kind === BlockKind::Heading || Traps::isCited($passage) || Traps::isPlanned($passage->text)) {
                continue;
            }
            foreach ($this->inPassage($passage, $cues) as $lead) {
                $leads[] = $lead;
            }
        }
        $leads = $this->agreeing([...$leads, ...$this->summed($paper, $stage)]);
        if ($leads === [] || max(array_column($leads, 'score')) < 2.0) {
            $leads = [...$leads, ...$this->whole($paper)];
        }

        return $leads;
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
    private function inPassage(Passage $passage, array $cues): array
    {
        $text = self::withoutBrackets($passage->text);
        $counts = People::counts($text);
        $leads = $this->together($passage, $counts, $text, $cues);
        foreach ($counts === [] ? [] : $cues as $cue => $weight) {
            preg_match_all("/\b(?:{$cue})\b/iu", $text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$said, $at]) {
                [$count, $between] = $this->nearest($counts, $text, $at, $at + strlen($said));
                if ($count !== null) {
                    $score = 1.0 + $weight + Traps::trust($passage->section) + $this->weight($count, $between, $text);
                    $leads[] = Lead::from(
                        $passage,
                        Figures::told($count['value']),
                        $score,
                        "“{$said}” is said of so many",
                    );
                }
            }
        }

        return $leads;
    }

    /** @param  array{value: float, at: int, end: int, person: bool}  $count */
    private function weight(array $count, string $between, string $text): float
    {
        $isClusters = preg_match(self::CLUSTERS, $between) === 1 && ! $count['person'];

        return ($count['person'] ? 0.3 : 0.0) -
            (preg_match(self::DENIED, $between) === 1 ? 1.6 : 0.0) -
            ($isClusters ? 1.2 : 0.0) -
            min(0.6, strlen($between) / 150) -
            (preg_match(self::ARM, substr($text, $count['end'], 60)) === 1 ? 1.1 : 0.0) -
            ($count['value'] < 12 ? 0.5 : 0.0);
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
     * @param  list<array{value: float, at: int, end: int, person: bool}>  $counts
     * @param  array<string, float>  $cues
     * @return list<Lead>
     */
    private function together(Passage $passage, array $counts, string $text, array $cues): array
    {
        $people = array_values(array_filter($counts, fn (array $count): bool => $count['person']));
        $isShared =
            preg_match(
                '/\b(?:allocated|assigned|randomi[sz]ed|allotted)\b[^.;]{0,80}\bto\b[^.;]*\band\b[^.;]*\bto\b/iu',
                $text,
            ) === 1;
        if (count($people) !== 2 || ! $isShared || ! array_key_exists('randomi[sz]ed|were drawn by lot', $cues)) {
            return [];
        }
        $sum = $people[0]['value'] + $people[1]['value'];

        return [
            Lead::from($passage, Figures::told($sum), 2.7 + Traps::trust($passage->section), 'the groups together'),
        ];
    }

    /**
     * The count that a cue is about: the last before it in the same clause, or the one right after it. Of "so many of
     * so many" it is the first.
     *
     * @param  list<array{value: float, at: int, end: int, person: bool}>  $counts
     * @return array{?array{value: float, at: int, end: int, person: bool}, string} with the words between
     */
    private function nearest(array $counts, string $text, int $at, int $end): array
    {
        $best = null;
        $between = '';
        foreach ($counts as $i => $count) {
            $isAfter = $count['at'] >= $end;
            $words = $isAfter
                ? substr($text, $end, $count['at'] - $end)
                : ($count['end'] <= $at
                    ? substr($text, $count['end'], $at - $count['end'])
                    : null);
            if ($words === null || strlen(trim($words)) > 110 || preg_match('/[;:]|\.\s/u', $words) === 1) {
                continue;
            }
            if (
                $isAfter &&
                (strlen(trim($words)) > 22 ||
                    $best !== null ||
                    preg_match('/\bto\b|\bat\b|\bwith\b|,/iu', $words) === 1)
            ) {
                continue;
            }
            if ($best === null || strlen($words) < strlen($between)) {
                $before = $counts[$i - 1] ?? null;
                $isPart =
                    $before !== null &&
                    preg_match(
                        '/^\s+(?:out )?of (?:the |these |those |all |some )*$/iu',
                        substr($text, $before['end'], $count['at'] - $before['end']),
                    ) === 1;
                [$best, $between] = [$isPart ? ['person' => $count['person']] + $before : $count, $words];
            }
        }

        return [$best, $between];
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
            if (
                ! $passage->isRow() ||
                $passage->heads === [] ||
                ($leads[implode('|', $passage->heads)] ?? null) !== null
            ) {
                continue;
            }
            $columns = Columns::of($passage);
            $whole = $columns->whole();
            $arms = array_slice($columns->figures, 0, $columns->arms());
            $sizes = array_filter(array_column($arms, 'n'));
            $isBaseline =
                preg_match(
                    '/\b(?:age|sex|women|men|female)\b/iu',
                    implode(
                        ' ',
                        array_map(
                            fn (Passage $one): string => $one->heads === $passage->heads ? $one->cells[0] ?? '' : '',
                            $paper->told(),
                        ),
                    ),
                ) === 1;
            if (
                count($sizes) > 1 &&
                count($sizes) === count($arms) &&
                $whole === null &&
                (($stage === 'entered') === $isBaseline ||
                    preg_match('/\bcases?\b/iu', implode(' ', $passage->heads)) === 1)
            ) {
                $leads[implode('|', $passage->heads)] = Lead::from(
                    $passage,
                    Figures::told(array_sum($sizes)),
                    2.2,
                    'the groups of the table together',
                );
            }
        }

        return array_values($leads);
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
                array_push($leads, ...self::byLetter($passage), ...self::byPeople($passage));
            }
        }

        return $this->agreeing($leads);
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
            $isFirst = trim(substr($passage->text, 0, $count['at'])) === '';
            if ($count['person'] && preg_match(self::DENIED, substr($passage->text, $count['at'], 80)) !== 1) {
                $few = $count['value'] < 12 ? 0.5 : 0.0;
                $score = 1.0 + Traps::trust($passage->section) + ($isFirst ? 0.3 : 0.0) - $few;
                $leads[] = Lead::from($passage, Figures::told($count['value']), $score, 'so many people are spoken of');
            }
        }

        return $leads;
    }
}
