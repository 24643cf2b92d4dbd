<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;
use WaryHeron\Core\Coding\Lead\Told\Contrast;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** What was tested, and what it was compared with. */
final class ArmReader implements LeadReader
{
    private const BELOW_COMPARED = '/control|comparison|usual/iu';

    private const BELOW_TESTED = '/intervention|program|course|treatment|exposure|procedure|condition|what was/iu';

    private const TESTED = [
        '\b(?:intervention|experimental|treatment|active|index|exposed|programme)\s+(?:group|arm|wards?|schools?|condition|homes?|units?|participants)\b[^.]{0,30}\b(?:received|was|were|got|had|used|wore|sat|took|attended|did|consisted)\b' => 1.5,
        '\b(?:intervention|programme|program|treatment|course|exposure|training)\s+(?:was|were|is|consisted|comprised|included|had|lasted)\b' => 1.2,
        '\b(?:randomi[sz]ed|allocated|assigned|allotted)\b(?! (?:\p{L}+ )?(?:trial|study|controlled))[^.]{0,60}\b(?:to|between|either)\b(?! (?:the order|the sequence|one of|two|three|either (?:group|arm)))' => 1.0,
        '^(?:the|in the) (?!(?:control|comparison|other|reference|placebo)\b)\p{L}+(?:-\p{L}+)* (?:group|arm|condition)\b(?! (?:had|was|were)\b)' => 0.9,
        '\b(?:received|were given|wore|took|sat in front of|practised|attended)\b' => 0.5,
        '\b(?:exposure|exposed|explored?|experiences? of|associat\w+ (?:between|of|with))\b' => 0.6,
    ];

    private const COMPARED = [
        '\b(?:control|comparison|reference|waiting[ -]list|usual[ -]care|unexposed|placebo|other)\s+(?:group|arm|wards?|schools?|condition|homes?|units?|participants|period|lamps?)\b[^.]{0,40}\b(?:received|was|were|got|had|used|wore|sat|worked|continued|kept|did|spent|remained)\b' => 1.6,
        '\b(?:placebo|sham|comparator|comparison|control)(?: \p{L}+)? (?:contained|consisted|was|were|is)\b' => 1.4,
        '\bthe other (?:group|half|arm|condition|wards|schools|classes|homes)\b' => 1.1,
        '\b(?:usual (?:care|practice|lighting|treatment|teaching)|waiting list|placebo|sham|no (?:intervention|treatment|nap)|care as usual|standard care)\b' => 1.1,
        '\b(?:compared|comparison) (?:with|to|was)\b|\bversus\b|\brather than\b|\bor to\b|\bagainst\b|\bor (?:usual|unchanged|no|a|the)\b' => 0.8,
        '\b(?:controls?|unexposed|reference (?:group|category)|never|before the (?:change|course|intervention)|old)\b' => 0.5,
    ];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Text && $this->role($item) !== null;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $isControl = $this->role($item) === 'comparator';
        $kind = $isControl ? DesignReader::kind($paper) : null;
        if ($kind === 'qualitative') {
            return [];
        }
        $leads = [];
        foreach ($paper->told() as $passage) {
            // the controls of a case-control study are people, not what they are compared in
            $isOfPeople = $kind === 'case-control' && $passage->has('\bcontrols?\b');
            $lead = self::mayTell($passage) && ! $isOfPeople ? $this->lead($passage, $isControl) : null;
            $before = $kind === 'before-after' ? self::before($passage) : null;
            array_push($leads, ...array_filter([$lead, $before, self::contrasted($passage, $isControl)]));
        }
        if (! $isControl && $paper->title() !== null) {
            $leads[] = self::ofTitle($paper->title(), $leads);
        }

        return $leads;
    }

    /** “Before the room was opened”: the time before, where nothing else was compared. */
    private static function before(Passage $passage): ?Lead
    {
        $before = '/\bbefore (?:the|this|our|any|it)\b[^.,;:()]{3,60}?(?=[.,;:()]|$| and\b)/iu';
        $both = '/\bbefore and (?:[^.;]{0,30} )?after (the [^.,;:()]{3,40}?)(?=[.,;:()]|$| and\b)/iu';
        $value = match (true) {
            preg_match($before, $passage->text, $found) === 1 => $found[0],
            preg_match($both, $passage->text, $found) === 1 => "before {$found[1]}",
            default => null,
        };

        return $value === null || ! self::mayTell($passage)
            ? null
            : Lead::from($passage, $value, 2.1 - $passage->number * 0.001, 'the time before');
    }

    /** What is set against something else in so many words, also where a paper says what it is for. */
    private static function contrasted(Passage $passage, bool $isControl): ?Lead
    {
        $isAim = $passage->section === SectionKind::Introduction
            && $passage->has('\b(?:aim|objective|purpose|we (?:therefore )?(?:compared?|tested|asked|examined))\b');
        if ((! $isAim && ! self::mayTell($passage)) || Traps::isCited($passage)) {
            return null;
        }
        // what stands before all headings is the title, or the whole of a letter
        $isTitle = $passage->number === 0;
        $contrast = $isTitle ? Contrast::inTitle($passage->text) : Contrast::in($passage->text);
        // “nurse-led versus surgeon-led follow-up” says what was compared, and of what was tested only half
        $value = $isControl ? $contrast?->compared : ($isTitle ? null : $contrast?->tested);
        $score = ($isTitle || $isAim ? 2.2 : 2.5) + ($passage->section === SectionKind::Abstract ? 0.2 : 0.0);

        return $value === null
            ? null
            : Lead::from($passage, $value, $score - $passage->number * 0.001, 'set against something else');
    }

    private static function mayTell(Passage $passage): bool
    {
        $isTitle = $passage->section === SectionKind::Title;

        return ! $passage->isRow()
            && ! Traps::isCited($passage)
            && ($isTitle || in_array($passage->section, [SectionKind::Methods, SectionKind::Abstract], true))
            && ($isTitle || $passage->kind !== BlockKind::Heading);
    }

    private function lead(Passage $passage, bool $isControl): ?Lead
    {
        foreach ($isControl ? self::COMPARED : self::TESTED as $cue => $weight) {
            if (preg_match("/{$cue}/iu", $passage->text, $found, PREG_OFFSET_CAPTURE) === 1) {
                $isBelow = preg_match($isControl ? self::BELOW_COMPARED : self::BELOW_TESTED, $passage->heading) === 1;
                $score = 0.9 + $weight + ($isBelow ? 0.4 : 0.0) - (self::isOther($passage) ? 0.8 : 0.0)
                    + ($passage->section === SectionKind::Abstract ? 0.3 : 0.1)
                    - $passage->number * 0.001;
                $value = $this->span($passage->text, (int) $found[0][1], $isControl);
                $why = $isControl ? 'it was compared with' : 'was tested';

                return Lead::from($passage, $value, $score, "what {$why}");
            }
        }

        return null;
    }

    /** Who could take part, what was found, how it was reckoned. */
    private static function isOther(Passage $passage): bool
    {
        return preg_match('/\b(?:participants|patients|subjects|eligib\w*|inclusion|population)\b/iu', $passage->heading) === 1
            || $passage->has('\d of \d|\d\s*%\)|\bCI\b|\bp\s*[=<>]|\b(?:t|F|rank|exact|McNemar\S*) tests?\b|\b(?:regression|anova|chi-squared?)\b');
    }

    private function role(AskedItem $item): ?string
    {
        return match (true) {
            $item->isAbout('compar|control') => 'comparator',
            $item->isAbout('intervention|exposure|treatment') => 'intervention',
            default => null,
        };
    }

    /**
     * @param  list<Lead>  $leads  what else may name it: where that speaks of the same, the title says it best
     */
    private static function ofTitle(Passage $title, array $leads): Lead
    {
        $stems = Stems::of($title->text);
        $isSame = fn (Lead $lead): bool => count(array_intersect($stems, Stems::of($lead->value))) > 1;
        $words = preg_split('/\s+/u', self::withoutDesign($title->text)) ?: [];

        return Lead::from(
            $title,
            implode(' ', array_slice($words, 0, 36)),
            array_filter($leads, $isSame) === [] ? 1.95 : 2.7,
            'the title names it',
        );
    }

    /** Without “: a randomised trial”. */
    private static function withoutDesign(string $title): string
    {
        $end = '/(?<=[:?.])\s+(?:an? |the )?(?:(?!of\b|in\b)[\p{L}-]+ ){0,7}(?:trial|study|survey|protocol|cohort|report)\.?$/iu';

        return trim((string) preg_replace($end, '', $title), ' :.');
    }

    /** Some words of the sentence around the place where it is named. */
    private function span(string $text, int $at, bool $isControl): string
    {
        $words = preg_split('/\s+/u', trim($text, ' .')) ?: [];
        if (count($words) <= 38) {
            return implode(' ', $words);
        }
        $before = count(preg_split('/\s+/u', substr($text, 0, $at)) ?: []);
        $from = max(0, min($before - ($isControl ? 8 : 4), count($words) - 38));

        return implode(' ', array_slice($words, $from, 38));
    }
}
