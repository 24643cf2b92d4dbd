<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

use WaryHeron\Core\Text\Words;

/**
 * Terms of a record that a concept of a search lost, by which that concept would catch it. What the other concepts
 * say is left out; what the thesaurus has in the concept's own branch comes first; then what of the title no concept
 * says; words alone last.
 */
final class LostItem
{
    /** So many are worth counting. */
    private const COUNTED = 14;

    /** A list that has so many good terms needs no weaker ones. */
    private const ENOUGH = 3;

    private const OFFERED = 5;

    /** What so many records of the other concepts have anyway is their setting, not what this concept lacks. */
    private const SETTING = 0.33;

    /**
     * @param  list<string>  $headings  that the record carries
     * @param  array<string, Placed>  $placed  by folded name: what of the record's headings and of names() the
     *     thesaurus has
     * @return list<Candidate> the likeliest first
     */
    public static function candidates(
        string $title,
        string $abstract,
        array $headings,
        ConceptPlace $own,
        ConceptPlace $others,
        array $placed,
    ): array {
        $found = [
            ...self::byHeadings($headings, $own, $others, $placed),
            ...self::byNames($title, $abstract, $own, $others, $placed),
            ...self::byTitle($title, $own, $others, $placed),
        ];
        $order = fn (Candidate $one): array => [$one->ground->value, -$one->nearness];
        usort($found, fn (Candidate $a, Candidate $b): int => $order($a) <=> $order($b));
        // one that only shares the top of a branch says little beside one that is nearer
        $best = max([0, ...array_map(fn (Candidate $one): int => $one->nearness, $found)]);
        $kept = [];
        foreach ($found as $one) {
            if (! self::isWithinAnother($one, $found) && ($one->nearness > 1 || $best < 2 || $one->nearness === 0)) {
                $kept[$one->text] ??= $one;
            }
        }

        return array_slice(array_values($kept), 0, self::COUNTED);
    }

    /** @param  list<Candidate>  $all */
    private static function isWithinAnother(Candidate $one, array $all): bool
    {
        $holds = fn (Candidate $other): bool => $other !== $one && in_array($one->text, Words::of($other->text), true);

        return $one->ground === Ground::WordOfTitle && array_filter($all, $holds) !== [];
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, CandidateCount>  $counts  by text
     * @param  float  $base  share of records of the other concepts that are in this concept
     * @return list<LostOffer>
     */
    public static function ranked(array $candidates, array $counts, float $base): array
    {
        $none = new CandidateCount();
        $isCommon = fn (Candidate $one): bool => ($counts[$one->text] ?? $none)->setting > self::SETTING;
        $settings = array_map(fn (Candidate $one): string => $one->heading, array_filter($candidates, $isCommon));
        $offers = [];
        foreach ($candidates as $one) {
            $count = $counts[$one->text] ?? $none;
            $isSetting = $isCommon($one) || ($one->heading !== '' && in_array($one->heading, $settings, true));
            $weight = self::logLikelihood($count->shared, $count->own, $base);
            if ($count->own >= 1 && ! $isSetting && self::isSensible($one->ground, $count->own, $weight)) {
                $offers[] = new LostOffer($one, $count->own, $count->shared, $weight);
            }
        }
        usort($offers, fn (LostOffer $a, LostOffer $b): int => $a->against($b));
        $isStrong = fn (LostOffer $one): bool => $one->candidate->ground->value <= Ground::PhraseOfTitle->value;
        $strong = count(array_filter($offers, $isStrong));

        return array_slice($offers, 0, $strong >= self::ENOUGH ? min($strong, self::OFFERED) : self::OFFERED);
    }

    /** What stands in no branch has to keep company with the concept more than chance brings. */
    private static function isSensible(Ground $ground, int $own, float $weight): bool
    {
        return $ground->value <= Ground::NameInBranch->value
            || $ground === Ground::PhraseOfTitle
            || ($own >= 3 && $weight > 0);
    }

    /**
     * Whether a candidate that no thesaurus has is of the concept, by the headings that records with it carry.
     *
     * @param  list<Placed>  $company
     */
    public static function keepsCompanyWith(array $company, ConceptPlace $own, ConceptPlace $others): bool
    {
        $near = array_sum(array_map($own->nearness(...), $company));
        $far = array_sum(array_map($others->nearness(...), $company));

        return $own->above === [] || $near > $far;
    }

    /**
     * Signed log-likelihood ratio of seeing the share where the base is expected (Dunning 1993, one binomial against a
     * known rate).
     */
    public static function logLikelihood(int $shared, int $own, float $base): float
    {
        if ($own <= 0) {
            return 0.0;
        }
        $base = min(0.999, max(0.001, $base));
        $share = $shared / $own;
        $part = fn (float $count, float $rate, float $expected): float => $count <= 0
            ? 0.0
            : $count * log($rate / $expected);
        $ratio = 2 * ($part($shared, $share, $base) + $part($own - $shared, 1 - $share, 1 - $base));

        return $share >= $base ? $ratio : -$ratio;
    }

    /**
     * @param  list<string>  $headings
     * @param  array<string, Placed>  $placed
     * @return list<Candidate>
     */
    private static function byHeadings(array $headings, ConceptPlace $own, ConceptPlace $others, array $placed): array
    {
        $found = [];
        foreach ($headings as $heading) {
            $label = trim((string) strtok($heading, '/'));
            $place = $placed[implode(' ', Words::of($label))] ?? null;
            if ($place === null) {
                continue;
            }
            [$near, $far] = [$own->nearness($place), $others->nearness($place)];
            if ($near > $far) {
                $found[] = Candidate::heading($place->label, Ground::HeadingOfBranch, $near);
            } elseif ($own->above === [] && $far === 0 && ! $others->says($label)) {
                $found[] = Candidate::heading($place->label, Ground::Heading, 0);
            }
        }

        return $found;
    }

    /**
     * @param  array<string, Placed>  $placed
     * @return list<Candidate>
     */
    private static function byNames(
        string $title,
        string $abstract,
        ConceptPlace $own,
        ConceptPlace $others,
        array $placed,
    ): array {
        $found = [];
        foreach (TitlePhrases::names("{$title}. {$abstract}") as $name) {
            $place = $placed[$name] ?? null;
            if ($place !== null && $own->nearness($place) > $others->nearness($place) && ! $others->says($name)) {
                $found[$name] = Candidate::words($name, Ground::NameInBranch, $own->nearness($place), $place->label);
            }
        }

        return array_values(array_filter($found, fn (Candidate $one): bool => ! self::isWithin($one, $found)));
    }

    /**
     * Of a name within a longer one the longer is meant.
     *
     * @param  array<string, Candidate>  $found  by name
     */
    private static function isWithin(Candidate $one, array $found): bool
    {
        $name = trim($one->text, '"');
        $holds = fn (string $longer): bool => $longer !== $name && str_contains(" {$longer} ", " {$name} ");

        return array_filter(array_keys($found), $holds) !== [];
    }

    /**
     * @param  array<string, Placed>  $placed
     * @return list<Candidate>
     */
    private static function byTitle(string $title, ConceptPlace $own, ConceptPlace $others, array $placed): array
    {
        $found = [];
        foreach (TitlePhrases::of($title) as $phrase) {
            $place = $placed[$phrase] ?? null;
            // where a thesaurus has it, it is offered by its branch or not at all, but for one that is as near to both
            $isPlaced = $place !== null && ($own->nearness($place) !== $others->nearness($place)
                || ($own->above !== [] && $own->nearness($place) === 0));
            if ($isPlaced || $others->says($phrase)) {
                continue;
            }
            $words = explode(' ', $phrase);
            if (count($words) > 1 && count($words) <= 4) {
                $found[] = Candidate::words($phrase, Ground::PhraseOfTitle);
            } elseif (count($words) === 1 && mb_strlen($phrase) > 3 && ! $own->says($phrase)) {
                $found[] = Candidate::words($phrase, Ground::WordOfTitle);
            }
        }

        return $found;
    }
}
