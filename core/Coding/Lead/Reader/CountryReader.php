<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Place\Cities;
use WaryHeron\Core\Coding\Lead\Place\Countries;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** The country or countries in which people were studied. */
final class CountryReader implements LeadReader
{
    private const PLACE = '\b(?:took place|carried out|conducted|recruited|located|set in|setting|hospitals?|wards?|schools?|homes?|centres?|centers?|units?|universit\w+|clinics?|participants?|patients?|nurses?|students?|workers?|in)\b';

    /** Where people come from is not where they were studied, and another country's rules or prices are no place. */
    private const ORIGIN = '/\b(?:born|trained|migrat\w+|immigra\w+|emigra\w+|languages?|translated|guidelines|compar\w+|unlike|similar to|as in|nationals)\b/iu';

    /** Places where people or instruments come from. */
    private const FROM = '/\b(?:born|trained|educated|raised|validated|developed|translated|normed|published)'
        .' (?:in|at|for)(?:(?:,| and| or|, and| between)? (?:the )?\p{Lu}[\p{L}-]*)+/u';

    private const ELSEWHERE = [SectionKind::Introduction, SectionKind::Discussion];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Country || ($item->type === ItemType::Text && $item->isAbout('\bcountr'));
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $alone = $together = [];
        foreach ($paper->told() as $passage) {
            if (Traps::isCited($passage) || in_array($passage->section, self::ELSEWHERE, true)) {
                continue;
            }
            $text = self::withoutMakers($passage->text);
            foreach ($this->named($passage, $text) as $lead) {
                $alone[$lead->value] = $this->stronger($alone[$lead->value] ?? null, $lead);
            }
            foreach ($this->several($passage, $text) as $lead) {
                $together[$lead->value] = $this->stronger($together[$lead->value] ?? null, $lead);
            }
        }

        return $this->joined($alone, array_values($together));
    }

    /** @return list<Lead> a country each */
    private function named(Passage $passage, string $text): array
    {
        $where = self::where($passage);
        $leads = [];
        foreach (Countries::in($text) as $country => $isName) {
            $score = 1.3 + ($isName ? 0.5 : 0.1) + $where;
            $leads[] = Lead::from($passage, $country, $score, 'named where the study was done');
        }
        foreach ($leads === [] ? Cities::countries($text) : [] as $country) {
            $leads[] = Lead::from($passage, $country, 1.2 + $where, 'a place in it is named where the study was done');
        }

        return $leads;
    }

    /** @return list<Lead> one for countries that are named together as where it was done */
    private function several(Passage $passage, string $text): array
    {
        $isPlace = preg_match('/'.self::PLACE.'/iu', $text) === 1 && preg_match(self::ORIGIN, $text) !== 1;
        $countries = $isPlace ? Countries::together($text) : [];
        $told = implode('; ', $countries);

        return $countries === []
            ? []
            : [Lead::from($passage, $told, 1.9 + self::where($passage), 'named together where the study was done')];
    }

    private static function where(Passage $passage): float
    {
        return ($passage->has(self::PLACE) ? 0.4 : 0.0) +
            match ($passage->section) {
                SectionKind::Methods => 0.7,
                SectionKind::Abstract => 0.5,
                SectionKind::Title, SectionKind::Results => 0.2,
                default => -0.6,
            };
    }

    /** Of two that say the same the stronger, which the other one speaks for. */
    private function stronger(?Lead $known, Lead $lead): Lead
    {
        return $known === null ? $lead : ($known->score >= $lead->score ? $known : $lead)->weighed(0.3, '');
    }

    /**
     * Countries together say more than each of them.
     *
     * @param  array<string, Lead>  $alone  by country
     * @param  list<Lead>  $together
     * @return list<Lead>
     */
    private function joined(array $alone, array $together): array
    {
        usort($together, fn (Lead $a, Lead $b): int => $b->score <=> $a->score);
        foreach (array_slice($together, 0, 1) as $lead) {
            $parts = array_intersect_key($alone, array_flip(explode('; ', $lead->value)));
            $best = max([0.0, ...array_column($parts, 'score')]);
            $isOfAll = $best >= max([0.0, ...array_column($alone, 'score')]);
            $alone = $isOfAll
                ? [$lead->weighed(max(0.0, $best + 0.3 - $lead->score), ''), ...array_diff_key($alone, $parts)]
                : $alone;
        }

        return array_values($alone);
    }

    /** Lamps and scales come from places where nobody was studied. */
    private static function withoutMakers(string $text): string
    {
        return (string) preg_replace(
            [
                '/\([^()]*\b(?:Inc|Ltd|LLC|GmbH|Corp|Corporation|Company|Co|AB|A\/S|AS|BV|SA|plc)\b[^()]*\)/u',
                '/\b(?:made|manufactured|produced|built|assembled) (?:in|by)\b(?:(?!\b(?:was|were|is|are|and)\b)[^.;,])*/iu',
                self::FROM,
                // a language
                '/\b(?:into|in|to|from) (?:\p{Lu}\p{Ll}+(?:ish|ese|ian|ch|ic)|German)(?=[.,;)]|$| (?:and|or) (?!\p{Ll}+ (?:hospital|ward|school)))/u',
            ],
            ' ',
            $text,
        );
    }
}
