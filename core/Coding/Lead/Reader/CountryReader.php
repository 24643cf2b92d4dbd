<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Countries;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;

/** The country or countries in which people were studied. */
final class CountryReader implements LeadReader
{
    private const PLACE = '\b(?:took place|carried out|conducted|recruited|located|set in|setting|hospitals?|wards?|schools?|homes?|centres?|centers?|units?|universit\w+|clinics?|participants?|patients?|nurses?|students?|workers?|in)\b';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Country || ($item->type === ItemType::Text && $item->isAbout('\bcountr'));
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $found = [];
        foreach ($paper->told() as $passage) {
            if (
                Traps::isCited($passage) ||
                in_array($passage->section, [SectionKind::Introduction, SectionKind::Discussion], true)
            ) {
                continue;
            }
            foreach (Countries::in(self::withoutMakers($passage->text)) as $country => $isName) {
                $weight =
                    1.3 +
                    ($isName ? 0.5 : 0.1) +
                    ($passage->has(self::PLACE) ? 0.4 : 0.0) +
                    match ($passage->section) {
                        SectionKind::Methods => 0.7,
                        SectionKind::Abstract => 0.5,
                        SectionKind::Title => 0.2,
                        SectionKind::Results => 0.2,
                        default => -0.6,
                    };
                $known = $found[$country] ?? null;
                $found[$country] =
                    $known === null
                        ? Lead::from($passage, $country, $weight, 'named where the study was done')
                        : ($known->score >= $weight
                            ? $known
                            : Lead::from($passage, $country, $weight, 'named where the study was done')
                        )->weighed(0.3, '');
            }
        }

        return array_values($found);
    }

    /** Lamps and scales come from places where nobody was studied. */
    private static function withoutMakers(string $text): string
    {
        return (string) preg_replace(
            [
                '/\([^()]*\b(?:Inc|Ltd|LLC|GmbH|Corp|Corporation|Company|Co|AB|A\/S|AS|BV|SA|plc)\b[^()]*\)/u',
                '/\b(?:made|manufactured|produced|built|assembled) (?:in|by)\b(?:(?!\b(?:was|were|is|are|and)\b)[^.;,])*/iu',
            ],
            ' ',
            $text,
        );
    }
}
