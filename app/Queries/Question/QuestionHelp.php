<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\Headings;
use App\Queries\Searches\StrategyNumbers;
use App\Sources\Sources;
use WaryHeron\Core\Search\Offers\ConceptPlace;
use WaryHeron\Core\Search\Offers\TitlePhrases;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Search\Text\Words;
use WaryHeron\Core\Vocabulary\Why;

/**
 * What the question leaves open for a search, said with the team's own words and the headings that the thesauri have
 * for them.
 */
final readonly class QuestionHelp
{
    /** A concept that finds so many times what the narrowest one does bounds nothing. */
    private const UNBOUNDED = 8;

    private const SECONDS = 0.5;

    private const OFFERED = 5;

    /** Of a longer name one shared word says little: "people living with" is no rural population. */
    private const WORDS_OF_A_NAME = 3;

    private const KINDS = ['population' => 'people', 'intervention' => 'what is done', 'outcome' => 'what is measured'];

    public function __construct(private StrategyNumbers $numbers, private Sources $sources)
    {
    }

    /**
     * @return list<array{text: string, headings: list<string>, block: string, to: string}> with the concept that lacks
     *     a term, and where a heading goes
     */
    public function of(Review $review, Strategy $strategy, Lines $lines): array
    {
        $concepts = $review
            ->concepts()
            ->pluck('text', 'kind')
            ->map(fn (mixed $text): string => trim((string) $text))
            ->filter();
        $board = Board::of($lines);
        $help = [];
        $missing = array_diff_key(self::KINDS, $concepts->all());
        if ($missing !== []) {
            // which of them a heading is nobody but the team can say, so that each is offered once
            $from = $this->headings($review, (string) $review->question, implode(' ', $concepts->all()));
            $named = implode(
                ', ',
                array_map(
                    fn (string $kind, string $what): string => "no {$kind} ({$what})",
                    array_keys($missing),
                    $missing,
                ),
            );
            $more =
                $from === []
                    ? 'Add what is meant to the question, or leave it out on purpose.'
                    : 'Words of the question lead to these headings; is one of them meant?';
            $help[] = [
                'text' => "The question names {$named}. {$more}",
                'headings' => $from,
                'block' => '',
                'to' => '',
            ];
        }
        if (! isset($concepts['comparison']) && count($board->blocks) > 0) {
            $help[] = [
                'text' => 'The comparison is open. That is usual for a search: a block for it would lose studies that compare with something else. Leave it to screening.',
                'headings' => [],
                'block' => '',
                'to' => '',
            ];
        }
        foreach ($this->unbounded($review, $strategy, $lines, $board->blocks) as [$block, $count, $least]) {
            $headings = $this->headings(
                $review,
                self::asked($block, $concepts->all()),
                implode(' ', array_map(fn (StrategyLine $term): string => $term->text, $block->terms)),
            );
            $help[] = [
                'text' => "“{$block->name}” is hardly bounded: {$count}, where the narrowest concept finds {$least}. Is a narrower group or thing meant?".
                    ($headings === [] ? '' : ' Headings with its words:'),
                'headings' => $headings,
                'block' => '',
                'to' => $block->id,
            ];
        }
        foreach ($board->blocks as $block) {
            if ($block->terms === []) {
                $headings = $this->headings($review, self::asked($block, $concepts->all()));
                $help[] = [
                    'text' => "“{$block->name}” has no term yet.".
                        ($headings === []
                            ? ' No heading has these words; try single ones in the thesaurus.'
                            : ' These headings have words of it:'),
                    'headings' => $headings,
                    'block' => $block->id,
                    'to' => $block->id,
                ];
            }
        }

        return $help;
    }

    /**
     * What a concept asks for, without the label that it stands under in the question.
     *
     * @param  array<string, string>  $concepts  of the question by kind
     */
    private static function asked(Block $block, array $concepts): string
    {
        $bare = trim(
            (string) preg_replace(
                '/^\s*(?:'.implode('|', array_keys(self::KINDS)).'|comparison)s?\b[\s:–-]*/iu',
                '',
                $block->name,
            ),
        );

        return $bare !== '' ? $bare : $concepts[strtolower(trim($block->name))] ?? '';
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<array{Block, string, string}> with the counts in the first database
     */
    private function unbounded(Review $review, Strategy $strategy, Lines $lines, array $blocks): array
    {
        $source = array_values(array_filter($strategy->sources, $this->sources->has(...)))[0] ?? null;
        if ($source === null || count($blocks) < 2) {
            return [];
        }
        // what has been counted before is there at once; what has not does not hold the page up
        $numbers = $this->numbers->of($review, $lines, [$source], self::SECONDS)['numbers'][$source] ?? [];
        $counts = array_filter(
            array_map(
                fn (Block $block): int|string|null => $block->terms === [] ? null : $numbers[$block->id]['own'] ?? null,
                $blocks,
            ),
            fn (int|string|null $count): bool => is_int($count) && $count > 0,
        );
        $least = $counts === [] ? 0 : min($counts);
        $found = [];
        foreach ($counts as $i => $count) {
            if ($count > self::UNBOUNDED * $least) {
                $found[] = [
                    $blocks[$i],
                    number_format((int) $count)." records in {$this->sources->shortName($source)}",
                    number_format((int) $least),
                ];
            }
        }

        return $found;
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
                $found[$placed[$name]->label] = true;
                $left = array_diff($left, explode(' ', $name)); // a word within a longer name is not meant by itself
            }
        }
        foreach (
            array_filter($left, fn (string $word): bool => ! TitlePhrases::isCommon($word) && ! $has->says($word)) as $word
        ) {
            $offer = count($found) >= self::OFFERED ? null : $headings->offers($word)[0] ?? null;
            if (
                $offer !== null &&
                $offer->why->rank() <= Why::Stem->rank() &&
                count(Words::of($offer->name)) <= self::WORDS_OF_A_NAME
            ) {
                $found[$offer->concept->label] = true;
            }
        }

        return array_slice(array_map(strval(...), array_keys($found)), 0, self::OFFERED);
    }
}
