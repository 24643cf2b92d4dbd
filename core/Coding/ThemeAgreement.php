<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

use WaryHeron\Core\Screening\Agreement\KrippendorffAlpha;
use WaryHeron\Core\Screening\Agreement\Ratings;

/**
 * How far two people agree on a theme, over the studies in which both marked passages: in how many both found it, one
 * alone, or neither, with Krippendorff's alpha (nominal; 2019, Content Analysis, 4th ed., ch. 12), and how many of their
 * passages share words.
 */
final readonly class ThemeAgreement
{
    /** @param  ?float  $alpha  null where it is not defined, as where both say the same of every study */
    private function __construct(
        public int $both,
        public int $onlyFirst,
        public int $onlySecond,
        public int $neither,
        public ?float $alpha,
        public int $sharing,
        public int $passages,
    ) {
    }

    /**
     * @param  list<MarkedPassage>  $marks
     * @param  list<string>  $themes  the theme and what is below it
     */
    public static function of(array $marks, string $first, string $second, array $themes): self
    {
        $studies = array_intersect(self::studies($marks, $first), self::studies($marks, $second));
        $under = array_values(array_filter(
            $marks,
            fn (MarkedPassage $one): bool => in_array($one->theme, $themes, true) && in_array($one->study, $studies, true),
        ));
        $by = fn (string $person): array => array_values(
            array_filter($under, fn (MarkedPassage $one): bool => $one->person === $person),
        );
        [$ones, $others] = [$by($first), $by($second)];
        [$one, $other] = [self::studies($under, $first), self::studies($under, $second)];
        $both = count(array_intersect($one, $other));
        $either = count(array_unique([...$one, ...$other]));

        return new self(
            $both,
            count(array_diff($one, $other)),
            count(array_diff($other, $one)),
            count($studies) - $either,
            self::alpha($studies, [$first => $one, $second => $other]),
            self::sharing($ones, $others) + self::sharing($others, $ones),
            count($ones) + count($others),
        );
    }

    /**
     * @param  list<MarkedPassage>  $marks
     * @return list<string> in which a person marked any of these
     */
    private static function studies(array $marks, string $person): array
    {
        $own = array_filter($marks, fn (MarkedPassage $one): bool => $one->person === $person);

        return array_values(array_unique(array_column($own, 'study')));
    }

    /**
     * @param  array<string>  $studies
     * @param  array<string, list<string>>  $found  studies by person
     */
    private static function alpha(array $studies, array $found): ?float
    {
        $rows = [];
        foreach ($found as $person => $in) {
            foreach ($studies as $study) {
                $rows[] = [$study, (string) $person, in_array($study, $in, true) ? 'found' : 'not found'];
            }
        }

        return $rows === [] ? null : KrippendorffAlpha::of(Ratings::of($rows)->counts(2))->alpha;
    }

    /**
     * @param  list<MarkedPassage>  $ones
     * @param  list<MarkedPassage>  $others
     */
    private static function sharing(array $ones, array $others): int
    {
        return count(array_filter(
            $ones,
            fn (MarkedPassage $one): bool => array_filter($others, $one->overlaps(...)) !== [],
        ));
    }
}
