<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\Strategy;
use App\Sources\Sources;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\Board;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Text\Words;
use WaryHeron\Core\Vocabulary\Offer;

/** What the question leaves open for a search, said with the team's own words and the headings that the thesauri have for them. */
final readonly class QuestionHelp
{
    /** A concept that finds so many times what the narrowest one does bounds nothing. */
    private const UNBOUNDED = 8;

    private const SECONDS = 0.5;

    public function __construct(private StrategyNumbers $numbers, private Sources $sources)
    {
    }

    /** @return list<array{text: string, headings: list<string>, block: string}> with the concept that lacks a term, or none */
    public function of(Review $review, Strategy $strategy, Lines $lines): array
    {
        $concepts = $review->concepts()->pluck('text', 'kind')->map(fn (mixed $text): string => trim((string) $text))->filter();
        $board = Board::of($lines);
        $help = [];
        foreach (['population' => 'people', 'intervention' => 'what is done', 'outcome' => 'what is measured'] as $kind => $what) {
            if (! isset($concepts[$kind])) {
                $from = $this->headings($review, (string) $review->question);
                $help[] = ['text' => "The question names no {$kind} ({$what}). ".($from === [] ? 'Add it to the question, or leave it out on purpose.' : 'Words of the question lead to these headings; is one of them meant?'), 'headings' => $from, 'block' => ''];
            }
        }
        if (! isset($concepts['comparison']) && count($board->blocks) > 0) {
            $help[] = ['text' => 'The comparison is open. That is usual for a search: a block for it would lose studies that compare with something else. Leave it to screening.', 'headings' => [], 'block' => ''];
        }
        foreach ($this->unbounded($review, $strategy, $lines, $board->blocks) as [$block, $count, $least]) {
            $headings = $this->headings($review, $block->name);
            $help[] = ['text' => "“{$block->name}” is hardly bounded: {$count}, where the narrowest concept finds {$least}. Is a narrower group or thing meant?".($headings === [] ? '' : ' Headings with its words:'), 'headings' => $headings, 'block' => ''];
        }
        foreach ($board->blocks as $block) {
            if ($block->terms === []) {
                $headings = $this->headings($review, $block->name);
                $help[] = ['text' => "“{$block->name}” has no term yet.".($headings === [] ? ' No heading has these words; try single ones in the thesaurus.' : ' These headings have words of it:'), 'headings' => $headings, 'block' => $block->id];
            }
        }

        return $help;
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
        $counts = array_filter(array_map(fn (Block $block): int|string|null => $block->terms === [] ? null : $numbers[$block->id]['own'] ?? null, $blocks), fn (int|string|null $count): bool => is_int($count) && $count > 0);
        $least = $counts === [] ? 0 : min($counts);
        $found = [];
        foreach ($counts as $i => $count) {
            if ($count > self::UNBOUNDED * $least) {
                $found[] = [$blocks[$i], number_format((int) $count)." records in {$this->sources->shortName($source)}", number_format((int) $least)];
            }
        }

        return $found;
    }

    /** @return list<string> */
    private function headings(Review $review, string $text): array
    {
        $found = [];
        $words = array_filter(Words::of($text), fn (string $word): bool => mb_strlen($word) > 4);
        foreach (Headings::schemes($review)->take(1) as $scheme) {
            $headings = new Headings($scheme, $review);
            $pairs = [];
            $list = Words::of($text);
            foreach ($list as $i => $word) {
                isset($list[$i + 1]) && $pairs[] = "{$word} {$list[$i + 1]}";
            }
            foreach ([...$pairs, ...$words] as $part) {
                foreach (array_slice(array_filter($headings->offers($part), fn (Offer $offer): bool => $offer->why->rank() <= 2), 0, 1) as $offer) {
                    $found[$offer->concept->label] = true;
                }
                if (count($found) >= 5) {
                    break 2;
                }
            }
        }

        return array_keys($found);
    }
}
