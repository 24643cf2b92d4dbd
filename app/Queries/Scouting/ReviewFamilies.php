<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Review;
use App\Models\Scheme;
use App\Queries\Searches\Headings;
use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\QuestionReader;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Kin\Family;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Vocabulary\Concept;

/** What means nearly the same as the words of a question, by the thesauri that the review has. */
final class ReviewFamilies
{
    /** Thesauri of the sources come first. */
    private const SCHEMES = 4;

    public static function of(Review $review, string $question): Families
    {
        $families = [];
        $schemes = Headings::schemes($review)->sortBy(fn (Scheme $one): int => $one->source === null ? 1 : 0);
        $concepts = (new QuestionReader(new Families()))->read($question)->concepts;
        foreach ($schemes->take(self::SCHEMES) as $scheme) {
            $headings = new Headings($scheme, $review);
            foreach ($concepts as $concept) {
                foreach (self::phrases($concept) as $phrase) {
                    array_push($families, ...self::named($headings, $phrase));
                }
            }
        }

        return new Families($families);
    }

    /** @return list<string> */
    private static function phrases(AskedConcept $concept): array
    {
        $phrases = [$concept->text];
        foreach ($concept->slots as $slot) {
            $phrases[] = $slot->words[0] ?? '';
        }

        return array_values(array_unique(array_filter($phrases)));
    }

    /** @return list<Family> headings of which it is a name */
    private static function named(Headings $headings, string $phrase): array
    {
        $asked = Stem::all($phrase);
        $families = [];
        foreach ($headings->completing($phrase) as $offer) {
            $names = self::names($offer->concept);
            if (in_array($asked, array_map(Stem::all(...), $names), true)) {
                $families[] = Family::ofHeading($names);
            }
        }

        return $families;
    }

    /** @return list<string> */
    private static function names(Concept $concept): array
    {
        return array_map(
            fn (string $name): string => strtr($name, [',' => ' ', '|' => ' ']),
            [$concept->label, ...$concept->alternatives],
        );
    }
}
