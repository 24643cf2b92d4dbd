<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\HeadingLookup;

/** What a concept of a search is about: the words of its terms, and the branches that they stand in. */
final readonly class ConceptPlace
{
    /** A heading is typical where its share among a concept's records is so much larger than among others. */
    private const TYPICAL = 0.15;

    private const MOST_TYPICAL = 2;

    /**
     * @param  array<string, true>  $stems  of the words of its terms
     * @param  array<string, true>  $above  headings of its terms and all above them
     */
    private function __construct(public array $stems, public array $above)
    {
    }

    /**
     * @param  list<string>  $texts  its terms as text
     * @param  list<Placed>  $placed  its headings, and those that its terms name
     */
    public static function of(array $texts, array $placed): self
    {
        $words = array_filter(
            Words::of(implode(' ', $texts)),
            fn (string $word): bool => ! TitlePhrases::isCommon($word),
        );

        return new self(
            array_fill_keys(array_map(HeadingLookup::stem(...), $words), true),
            array_fill_keys(array_merge([], ...array_map(fn (Placed $one): array => $one->above, $placed)), true),
        );
    }

    /**
     * Headings that records of a concept carry much oftener than records of the others: what it is about, though no
     * term names it.
     *
     * @param  list<list<string>>  $within  headings of some records of the concept
     * @param  list<list<string>>  $outside  of some of the others
     * @return list<string>
     */
    public static function typical(array $within, array $outside): array
    {
        $there = self::shares($outside);
        $gains = [];
        foreach (self::shares($within) as $heading => $here) {
            $gains[$heading] = $here - ($there[$heading] ?? 0.0);
        }
        arsort($gains);

        return array_map(
            strval(...),
            array_keys(
                array_slice(
                    array_filter($gains, fn (float $gain): bool => $gain >= self::TYPICAL),
                    0,
                    self::MOST_TYPICAL,
                    true,
                ),
            ),
        );
    }

    /** Whether any word of the text is one of its terms', endings aside. */
    public function says(string $text): bool
    {
        foreach (Words::of($text) as $word) {
            if (isset($this->stems[HeadingLookup::stem($word)])) {
                return true;
            }
        }

        return false;
    }

    /** How many of the headings above are above its terms too: the more, the nearer. */
    public function nearness(Placed $one): int
    {
        return count(array_filter($one->above, fn (string $label): bool => isset($this->above[$label])));
    }

    /**
     * @param  list<list<string>>  $records  the headings of each
     * @return array<array-key, float> the share of records that have it, by heading
     */
    private static function shares(array $records): array
    {
        $counts = [];
        foreach ($records as $headings) {
            foreach (array_unique($headings) as $heading) {
                $counts[$heading] = ($counts[$heading] ?? 0) + 1;
            }
        }

        return array_map(fn (int $count): float => $count / max(1, count($records)), $counts);
    }
}
