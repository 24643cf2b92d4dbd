<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use WaryHeron\Core\Search\Offers\ConceptPlace;
use WaryHeron\Core\Search\Offers\Placed;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Tree;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Vocabulary\ConceptScheme;
use WaryHeron\Core\Vocabulary\Why;

/** The concepts of a strategy: what each asks for, and where in a thesaurus its terms stand. */
final readonly class StrategyConcepts
{
    /** So many truncated terms of a concept are looked up each by itself. */
    private const LOOKED_UP = 6;

    /**
     * @param  array<string, Block>  $blocks  those with terms, by id
     * @param  array<string, Node>  $queries  by the block's id
     */
    private function __construct(public array $blocks, public array $queries)
    {
    }

    public static function of(Lines $lines): self
    {
        $blocks = $queries = [];
        foreach (Board::of($lines)->blocks as $block) {
            $number = $lines->numberOf($block->id);
            try {
                $query = $block->terms === [] || $number === null ? null : $lines->writtenOut($number);
            } catch (BadStrategy) {
                $query = null; // a line with a mistake finds nothing; it says so itself
            }
            if ($query !== null) {
                [$blocks[$block->id], $queries[$block->id]] = [$block, $query];
            }
        }

        return new self($blocks, $queries);
    }

    /**
     * @param  list<string>  $ids  of blocks, taken together
     * @param  ?\Closure(): list<string>  $typical  headings that records of theirs carry, asked for where no term has a
     *     place
     */
    public function place(array $ids, ?Headings $headings, ?\Closure $typical = null): ConceptPlace
    {
        $texts = $names = $cut = [];
        foreach ($ids as $id) {
            foreach (Tree::terms($this->queries[$id]) as $term) {
                $text = self::text($term);
                $texts[] = $text;
                $names[] = ConceptScheme::folded($text);
                if (self::isCut($term)) {
                    $cut[] = $text;
                }
            }
        }
        if ($headings === null) {
            return ConceptPlace::of($texts, []);
        }
        $placed = array_values($headings->placed(array_values(array_unique($names))));
        $placed = [...$placed, ...self::placedByBeginning($headings, array_values(array_unique($cut)))];
        if ($placed === [] && $typical !== null) {
            $placed = array_values($headings->placed(array_map(ConceptScheme::folded(...), $typical())));
        }

        return ConceptPlace::of($texts, $placed);
    }

    /**
     * @param  list<string>  $cut  words with a wildcard at the end
     * @return list<Placed>
     */
    private static function placedByBeginning(Headings $headings, array $cut): array
    {
        $placed = [];
        foreach (array_slice($cut, 0, self::LOOKED_UP) as $text) {
            $offer = $headings->offers($text)[0] ?? null;
            if ($offer !== null && $offer->why->rank() <= Why::Stem->rank()) {
                $label = ConceptScheme::folded($offer->concept->label);
                $placed = [...$placed, ...array_values($headings->placed([$label]))];
            }
        }

        return $placed;
    }

    private static function text(Node $term): string
    {
        return match (true) {
            $term instanceof Heading => $term->label,
            $term instanceof Phrase => implode(' ', array_map(fn (Word $word): string => $word->text, $term->words)),
            $term instanceof Word => $term->text,
            default => '',
        };
    }

    private static function isCut(Node $term): bool
    {
        return ($term instanceof Word && $term->truncated) ||
            ($term instanceof Phrase && array_filter($term->words, fn (Word $word): bool => $word->truncated) !== []);
    }
}
