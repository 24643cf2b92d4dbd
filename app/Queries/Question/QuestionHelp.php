<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\Headings;
use App\Queries\Searches\StrategyNumbers;
use App\Sources\Sources;
use WaryHeron\Core\Question\ConceptPart;
use WaryHeron\Core\Question\QuestionGaps;
use WaryHeron\Core\Question\UnboundedBlock;
use WaryHeron\Core\Search\Offers\ConceptPlace;
use WaryHeron\Core\Search\Offers\TitlePhrases;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\Why;

/**
 * What the question leaves open for a search, said with the team's own words and the headings that the thesauri have
 * for them.
 */
final readonly class QuestionHelp
{
    private const SECONDS = 0.5;

    private const OFFERED = 5;

    /** Of a longer name one shared word says little: "people living with" is no rural population. */
    private const WORDS_OF_A_NAME = 3;

    private const ADD = 'Add what is meant to the question, or leave it out on purpose.';

    private const IS_ONE = 'Words of the question lead to these headings; is one of them meant?';

    public function __construct(private StrategyNumbers $numbers, private Sources $sources)
    {
    }

    /** @return list<Hint> */
    public function of(Review $review, Strategy $strategy, Lines $lines): array
    {
        $concepts = Concepts::of($review);
        $blocks = Board::of($lines)->blocks;
        $source = array_values(array_filter($strategy->sources, $this->sources->has(...)))[0] ?? '';
        $counts = count($blocks) < 2 || $source === '' ? [] : $this->counts($review, $lines, $source);
        $gaps = QuestionGaps::of($review->frame, $concepts->texts(), $blocks, $counts);

        return [
            ...$this->missing($review, $gaps, $concepts),
            ...$blocks === [] ? [] : array_map(self::leftOpen(...), $gaps->leftOpen),
            ...array_map(
                fn (UnboundedBlock $one): Hint => $this->unbounded($review, $one, $concepts, $source),
                $gaps->unbounded,
            ),
            ...array_map(fn (Block $block): Hint => $this->withoutTerm($review, $block, $concepts), $gaps->empty),
        ];
    }

    /** @return array<string, int> what has been counted before, by block; what has not does not hold the page up */
    private function counts(Review $review, Lines $lines, string $source): array
    {
        $numbers = $this->numbers->of($review, $lines, [$source], self::SECONDS)->numbers[$source] ?? [];

        return array_filter(array_map(fn (array $one): mixed => $one['own'], $numbers), is_int(...));
    }

    /** @return list<Hint> */
    private function missing(Review $review, QuestionGaps $gaps, Concepts $concepts): array
    {
        if ($gaps->missing === []) {
            return [];
        }
        // which of them a heading is nobody but the team can say, so that each is offered once
        $headings = $this->headings($review, (string) $review->question, implode(' ', $concepts->texts()));
        $named = array_map(
            fn (ConceptPart $part): string => 'no '.lcfirst($part->label)." ({$part->asks})",
            $gaps->missing,
        );
        $more = $headings === [] ? self::ADD : self::IS_ONE;

        return [new Hint('The question names '.implode(', ', $named).". {$more}", $headings)];
    }

    private static function leftOpen(ConceptPart $part): Hint
    {
        return new Hint(
            "{$part->label} stands open. That is usual for a search: a block for it would lose studies that have something else there, or do not say. Leave it to screening.",
        );
    }

    private function unbounded(Review $review, UnboundedBlock $one, Concepts $concepts, string $source): Hint
    {
        $block = $one->block;
        $terms = implode(' ', array_map(fn (StrategyLine $term): string => $term->text, $block->terms));
        $headings = $this->headings($review, self::asked($concepts, $block), $terms);
        $found = number_format($one->count)." records in {$this->sources->shortName($source)}";

        return new Hint(
            "“{$block->name}” is hardly bounded: {$found}, where the narrowest concept finds ".
                number_format($one->narrowest).
                '. Is a narrower group or thing meant?'.
                ($headings === [] ? '' : ' Headings with its words:'),
            $headings,
            to: $block->id,
        );
    }

    private function withoutTerm(Review $review, Block $block, Concepts $concepts): Hint
    {
        $headings = $this->headings($review, self::asked($concepts, $block));
        $more =
            $headings === []
                ? 'No heading has these words; try single ones in the thesaurus.'
                : 'These headings have words of it:';

        return new Hint("“{$block->name}” has no term yet. {$more}", $headings, $block->id, $block->id);
    }

    /** What a concept asks for, without the label that it stands under in the question. */
    private static function asked(Concepts $concepts, Block $block): string
    {
        $rows = $concepts->rows;
        $labels = array_map(fn (ConceptRow $row): string => preg_quote($row->label, '/'), $rows);
        $label = '/^\s*(?:'.implode('|', $labels === [] ? ['(?!)'] : $labels).')s?\b[\s:–-]*/iu';
        $bare = trim((string) preg_replace($label, '', $block->name));
        $same = array_filter($rows, fn (ConceptRow $row): bool => strcasecmp($row->label, trim($block->name)) === 0);

        return $bare !== '' ? $bare : array_values($same)[0]->text ?? '';
    }

    /**
     * Headings that the text names, the longest names first; then those that share a stem with a word of it.
     *
     * @param  string  $known  text whose words need no heading any more
     * @return list<string>
     */
    private function headings(Review $review, string $text, string $known = ''): array
    {
        $scheme = Headings::schemes($review)->first();
        if ($scheme === null || $text === '') {
            return [];
        }
        $headings = new Headings($scheme, $review);
        $has = ConceptPlace::of([$known], []);
        $names = array_values(array_filter(TitlePhrases::names($text), fn (string $name): bool => ! $has->says($name)));
        usort($names, fn (string $a, string $b): int => [substr_count($b, ' ')] <=> [substr_count($a, ' ')]);
        $placed = $headings->placed($names);
        $found = [];
        $left = Words::of($text);
        foreach (array_intersect($names, array_keys($placed)) as $name) {
            if (array_diff(explode(' ', $name), $left) === []) {
                $found[] = $placed[$name]->label;
                $left = array_diff($left, explode(' ', $name)); // a word within a longer name is not meant by itself
            }
        }
        $left = array_filter($left, fn (string $word): bool => ! TitlePhrases::isCommon($word) && ! $has->says($word));

        return array_slice(array_values(array_unique([...$found, ...self::byWord($headings, $left)])), 0, self::OFFERED);
    }

    /**
     * @param  array<string>  $words
     * @return list<string> headings with a stem of one of the words, and few words besides
     */
    private static function byWord(Headings $headings, array $words): array
    {
        $found = [];
        foreach ($words as $word) {
            $offer = count($found) >= self::OFFERED ? null : $headings->offers($word)[0] ?? null;
            if (
                $offer !== null &&
                $offer->why->rank() <= Why::Stem->rank() &&
                count(Words::of($offer->name)) <= self::WORDS_OF_A_NAME
            ) {
                $found[] = (string) $offer->concept->label;
            }
        }

        return $found;
    }
}
