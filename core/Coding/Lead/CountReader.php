<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** How many persons entered a study, and how many were in its analysis. */
final class CountReader implements LeadReader
{
    /** What is said of people at each stage; a count before it or right after it is theirs. */
    private const ENTERED = [
        '(?:were|was|are) (?:then |all |finally |thus )?(?:randomly |individually )?(?:randomi[sz]ed|allocated|assigned|divided|allotted)' => 1.5,
        'randomi[sz]ed|were drawn by lot' => 1.0,
        '(?:were |was )?(?:enrolled|recruited|included in the (?:study|trial|cohort)|entered (?:the|into)|registered at baseline)' => 1.2,
        '(?:agreed|consented|gave (?:written |informed )*consent|took part|participated|volunteered|accepted|joined)' => 0.9,
        '(?:responded|replied|returned|answered|filled in|completed (?:the|a) (?:questionnaire|survey|first|baseline))' => 0.9,
        '(?:were |was )?interviewed' => 0.9,
    ];

    private const ANALYSED = [
        '(?:contributed|provided data|gave data|entered|went|were entered) (?:to|into|in|for) the (?:\p{L}+ ){0,2}analys[ei]s' => 1.8,
        '(?:were |was |are )?(?:included|retained|kept|left|available|used) (?:in|for) (?:the |our )?(?:\p{L}+[ -]){0,3}analys[ei]s' => 1.7,
        '(?:were |was )?analy[sz]ed' => 1.4,
        '(?:analys[ei]s (?:set|population|sample)|analy[sz]able|evaluable)' => 1.2,
        '(?:leaving|leaves|left|which leaves|there remained|remained|remaining)' => 0.9,
        '(?:completed (?:both|all|the (?:study|trial|follow|programme|second|final|course)|follow)|completers)' => 1.0,
        '(?:(?:with |had |have |provided |gave )?(?:complete|paired|valid|full|usable|primary outcome) (?:data|records?|pairs|measurements?|sets)|outcome (?:data )?(?:was|were) (?:known|available|obtained|measured))' => 1.1,
        '(?:were |was )?(?:assessed|measured|followed up|seen|tested) (?:both |again |at (?:the end|\p{L}+ (?:weeks|months)|follow))' => 1.0,
    ];

    private const DENIED = '/\b(?:not|declined|refused|withdrew|withdrawn|lost|died|dropped|excluded|ineligible|screened|invited|approached|eligible|contacted|were sent|missed|moved|stopped|unable)\b/iu';

    private const CLUSTERS = '/\b(?:wards?|schools?|homes?|units?|practices|classes|clinics|hospitals|villages|teams|stations|depots|sites|clusters?)\b/iu';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number && $this->stage($item) !== null;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $stage = $this->stage($item);
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
        $leads = $this->agreeing($leads);
        if ($leads === [] || max(array_column($leads, 'score')) < 2.0) {
            $leads = [...$leads, ...$this->whole($paper)];
        }

        return $leads;
    }

    private function stage(AskedItem $item): ?string
    {
        return match (true) {
            $item->isAbout('analys|analyz|complet|evaluab') => 'analysed',
            $item->isAbout('random|enrol|recruit|participants|sample size|included') && ! $item->isAbout('%|per cent|percent|age\b') => 'entered',
            default => null,
        };
    }

    /**
     * @param  array<string, float>  $cues
     * @return list<Lead>
     */
    private function inPassage(Passage $passage, array $cues): array
    {
        $counts = People::counts($passage->text);
        $leads = [];
        foreach ($counts === [] ? [] : $cues as $cue => $weight) {
            preg_match_all("/\b(?:{$cue})\b/iu", $passage->text, $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$said, $at]) {
                [$count, $between] = $this->nearest($counts, $passage->text, $at, $at + strlen($said));
                if ($count === null) {
                    continue;
                }
                $isOther = preg_match(self::DENIED, $between) === 1;
                $isClusters = preg_match(self::CLUSTERS, $between) === 1;
                $score = 1.0 + $weight + Traps::trust($passage->section) + ($count['person'] ? 0.3 : 0.0) -
                    ($isOther ? 1.6 : 0.0) - ($isClusters && ! $count['person'] ? 1.2 : 0.0) - min(0.6, strlen($between) / 150);
                $leads[] = Lead::from($passage, Figures::told($count['value']), $score, "“{$said}” is said of so many");
            }
        }

        return $leads;
    }

    /**
     * The count that a cue is about: the one right after it, or the last before it in the same clause.
     *
     * @param  list<array{value: float, at: int, end: int, person: bool}>  $counts
     * @return array{?array{value: float, at: int, end: int, person: bool}, string} with the words between
     */
    private function nearest(array $counts, string $text, int $at, int $end): array
    {
        $best = null;
        $between = '';
        foreach ($counts as $count) {
            $words = $count['end'] <= $at
                ? substr($text, $count['end'], $at - $count['end'])
                : ($count['at'] >= $end ? substr($text, $end, $count['at'] - $end) : null);
            if ($words === null || strlen($words) > 110 || preg_match('/[;:]|\.\s/u', $words) === 1) {
                continue;
            }
            $isAfter = $count['at'] >= $end;
            if ($isAfter && (strlen($words) > 25 || preg_match('/\bto\b|\bat\b|\bwith\b|,/iu', $words) === 1)) {
                continue;
            }
            if ($best === null || strlen($words) < strlen($between)) {
                [$best, $between] = [$count, $words];
            }
        }

        return [$best, $between];
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
            fn (Lead $lead): Lead => count($said[$lead->value]) > 1 ? $lead->weighed(0.45, 'said more than once') : $lead,
            $leads,
        );
    }

    /** @return list<Lead> counts of persons that stand alone, as where one number only is given */
    private function whole(Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            if (Traps::isCited($passage) || Traps::isPlanned($passage->text) || ! in_array($passage->section, [SectionKind::Abstract, SectionKind::Results, SectionKind::Methods, SectionKind::Title], true)) {
                continue;
            }
            if (preg_match('/\(\s*[Nn]\s*=\s*(\d[\d,]*)\s*\)|\b[Nn]\s*=\s*(\d[\d,]*)/u', $passage->text, $found) === 1) {
                $value = Figures::value($found[1] !== '' ? $found[1] : ($found[2] ?? ''));
                if ($value !== null) {
                    $leads[] = Lead::from($passage, Figures::told($value), 1.5 + Traps::trust($passage->section), 'n = so many');
                }
            }
            foreach (People::counts($passage->text) as $count) {
                $before = substr($passage->text, 0, $count['at']);
                if ($count['person'] && preg_match(self::DENIED, substr($passage->text, $count['at'], 80)) !== 1) {
                    $score = 1.2 + Traps::trust($passage->section) + (trim($before) === '' ? 0.3 : 0.0);
                    $leads[] = Lead::from($passage, Figures::told($count['value']), $score, 'so many people are spoken of');
                }
            }
        }

        return $this->agreeing($leads);
    }
}
