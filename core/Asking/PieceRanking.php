<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Text\Stem;

/**
 * Ranks the pieces of a review by how well they answer a plain question: BM25 over its terms (Robertson and Zaragoza 2009,
 * Foundations and Trends in Information Retrieval 3:333), where any phrase that says a term counts as the term. What
 * holds less than half of what was asked, by weight, is not said to answer.
 */
final readonly class PieceRanking
{
    private const K1 = 1.2;

    private const B = 0.5;

    /** Words beside a piece tell what it is about, and do not answer. */
    private const BESIDE = 0.35;

    private const LABEL = 1.6;

    private const ENOUGH = 0.5;

    private const WHOLE = 0.95;

    /** What people took from a paper goes before what merely stands in one. */
    private const BY_PEOPLE = 1.25;

    /** @var list<CountedPiece> of each piece */
    private array $counted;

    /** @var list<float> of each term */
    private array $weights;

    /** @param  list<Piece>  $pieces */
    public function __construct(private PlainAsk $ask, private array $pieces)
    {
        $this->counted = array_map($this->counted(...), $pieces);
        $this->weights = $this->weights($this->counted);
    }

    /** @return list<RankedPiece> best first; those alike in the order in which they were given */
    public function ranked(int $most): array
    {
        $all = (float) array_sum($this->weights);
        if ($all === 0.0) {
            return [];
        }
        $mean = max(1.0, array_sum(array_column($this->counted, 'length')) / count($this->counted));
        $ranked = [];
        foreach ($this->pieces as $i => $piece) {
            $one = $this->weighed($piece, $this->counted[$i], $this->weights, $all, $mean);
            if ($one !== null) {
                $ranked[] = $one;
            }
        }
        usort($ranked, fn (RankedPiece $a, RankedPiece $b): int => $b->score <=> $a->score);

        return array_slice($ranked, 0, $most);
    }

    private function counted(Piece $piece): CountedPiece
    {
        $own = Stem::all($piece->says);
        [$label, $beside] = [Stem::all($piece->label), Stem::all($piece->beside)];
        $counts = $said = [];
        foreach ($this->ask->terms as $phrases) {
            [$inWords, $inLabel] = [self::times($own, $phrases), self::times($label, $phrases)];
            $counts[] = $inWords + self::LABEL * $inLabel + self::BESIDE * self::times($beside, $phrases);
            $said[] = $inWords + $inLabel > 0;
        }

        return new CountedPiece(count($own), $counts, $said);
    }

    /**
     * @param  list<string>  $stems
     * @param  list<list<string>>  $phrases
     */
    private static function times(array $stems, array $phrases): int
    {
        $text = ' '.implode(' ', $stems).' ';

        return array_sum(array_map(
            fn (array $phrase): int => $phrase === [] ? 0 : substr_count($text, ' '.implode(' ', $phrase).' '),
            $phrases,
        ));
    }

    /** @return list<string> what was asked and stands in none of them, as stems */
    public function nowhere(): array
    {
        $missing = array_filter($this->ask->terms, fn (int $term): bool => $this->weights[$term] === 0.0, ARRAY_FILTER_USE_KEY);

        return array_values(array_map(fn (array $phrases): string => implode(' ', $phrases[0]), $missing));
    }

    /**
     * @param  list<CountedPiece>  $counted
     * @return list<float> what each term weighs: the rarer, the more; nothing if it stands nowhere
     */
    private function weights(array $counted): array
    {
        $n = count($counted);

        return array_map(function (int $term) use ($counted, $n): float {
            $holding = count(array_filter($counted, fn (CountedPiece $one): bool => $one->counts[$term] > 0));

            return $holding === 0 ? 0.0 : log(1 + ($n - $holding + 0.5) / ($holding + 0.5)) + 0.1;
        }, array_keys($this->ask->terms));
    }

    /** @param  list<float>  $weights */
    private function weighed(Piece $piece, CountedPiece $counted, array $weights, float $all, float $mean): ?RankedPiece
    {
        $score = $held = $own = 0.0;
        foreach ($weights as $term => $weight) {
            $count = $counted->counts[$term];
            $norm = self::K1 * (1 - self::B + self::B * $counted->length / $mean);
            $score += $weight * $count * (self::K1 + 1) / ($count + $norm);
            $held += $count > 0 ? $weight : 0.0;
            $own += $counted->own[$term] ? $weight : 0.0;
        }
        if ($held / $all < self::ENOUGH || $own === 0.0) {
            return null;
        }
        // what stands nowhere is not held
        $share = in_array(0.0, $weights, true) ? min($own / $all, self::ENOUGH) : $own / $all;

        return new RankedPiece(
            $piece,
            $score * $held / $all * ($piece->kind->isByPeople() ? self::BY_PEOPLE : 1.0),
            $held / $all,
            $this->confidence($piece, $share),
            $this->reason($piece, $share, min($held / $all, in_array(0.0, $weights, true) ? self::ENOUGH : 1.0)),
        );
    }

    private function confidence(Piece $piece, float $share): Confidence
    {
        return match (true) {
            $share < self::WHOLE => Confidence::Check,
            $piece->kind->isByPeople() => Confidence::Firm,
            default => Confidence::Fair,
        };
    }

    private function reason(Piece $piece, float $share, float $held): string
    {
        $who = $piece->kind->isByPeople() ? 'taken from the paper by people' : 'stands there';

        return match (true) {
            $share >= self::WHOLE => "{$who}, with all that was asked",
            $held >= self::WHOLE => "{$who}; part of what was asked stands only near it",
            default => "{$who}, with part of what was asked",
        };
    }
}
