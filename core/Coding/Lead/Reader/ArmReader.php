<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
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
        '\b(?:randomi[sz]ed|allocated|assigned|allotted)\b[^.]{0,60}\b(?:to|between|either)\b' => 1.0,
        '\b(?:received|were given|wore|took|sat in front of|practised|attended)\b' => 0.5,
        '\b(?:exposure|exposed|explored?|experiences? of|associat\w+ (?:between|of|with))\b' => 0.6,
    ];

    private const COMPARED = [
        '\b(?:control|comparison|reference|waiting[ -]list|usual[ -]care|unexposed|placebo|other)\s+(?:group|arm|wards?|schools?|condition|homes?|units?|participants|period|lamps?)\b[^.]{0,40}\b(?:received|was|were|got|had|used|wore|sat|worked|continued|kept|did|spent|remained)\b' => 1.6,
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
        if ($isControl && DesignReader::kind($paper) === 'qualitative') {
            return [];
        }
        $leads = [];
        foreach ($paper->told() as $passage) {
            $lead = self::mayTell($passage) ? $this->lead($passage, $isControl) : null;
            $leads = [...$leads, ...$lead === null ? [] : [$lead]];
        }
        if (! $isControl && $paper->title() !== null) {
            $leads[] = $this->ofTitle($paper->title());
        }

        return $leads;
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
                $score = 0.9 + $weight + ($isBelow ? 0.4 : 0.0)
                    + ($passage->section === SectionKind::Abstract ? 0.3 : 0.1)
                    - $passage->number * 0.001;
                $value = $this->span($passage->text, (int) $found[0][1], $isControl);
                $why = $isControl ? 'it was compared with' : 'was tested';

                return Lead::from($passage, $value, $score, "what {$why}");
            }
        }

        return null;
    }

    private function role(AskedItem $item): ?string
    {
        return match (true) {
            $item->isAbout('compar|control') => 'comparator',
            $item->isAbout('intervention|exposure|treatment') => 'intervention',
            default => null,
        };
    }

    private function ofTitle(Passage $title): Lead
    {
        $words = preg_split('/\s+/u', $title->text) ?: [];

        return Lead::from($title, implode(' ', array_slice($words, 0, 36)), 1.95, 'the title names it');
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
