<?php

declare(strict_types=1);

namespace App\Queries\Asking;

use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Report\Composed\LiveNumber;
use App\Queries\Report\Composed\LiveNumbers;
use App\Queries\Synthesis\PooledAnalysis;
use App\Queries\Synthesis\Shown;
use WaryHeron\Core\Asking\Extreme;
use WaryHeron\Core\Asking\Piece;
use WaryHeron\Core\Asking\PieceKind;
use WaryHeron\Core\Asking\PieceRanking;
use WaryHeron\Core\Asking\PlainAsk;
use WaryHeron\Core\Asking\RankedPiece;

/** Figures of the review that bear on a plain question: those it names, and of extremes the analyses in order. */
final readonly class BearingNumbers
{
    private const MOST = 8;

    public function __construct(private Review $review, private PlainAsk $ask)
    {
    }

    /** @return list<LiveNumber> */
    public function named(): array
    {
        $numbers = LiveNumbers::of($this->review);
        $pieces = array_map(
            fn (string $key, LiveNumber $one): Piece => new Piece(PieceKind::Result, $key, $one->label),
            array_keys($numbers),
            $numbers,
        );
        $ranked = (new PieceRanking($this->ask, $pieces))->ranked(self::MOST);

        return array_map(fn (RankedPiece $one): LiveNumber => $numbers[$one->piece->id], $ranked);
    }

    /** @return list<OrderedAnalyses> for each extreme that is asked */
    public function counted(): array
    {
        $analyses = $this->ask->extremes === [] ? [] : $this->analyses();

        return array_map(fn (Extreme $one): OrderedAnalyses => new OrderedAnalyses(
            $one->value,
            self::how($one),
            array_slice($this->ordered($one, $analyses), 0, self::MOST),
        ), $analyses === [] ? [] : $this->ask->extremes);
    }

    private static function how(Extreme $extreme): string
    {
        return match ($extreme) {
            Extreme::Studies => 'analyses by how many studies they pool',
            Extreme::People => 'analyses by how many people were studied in them',
            Extreme::Largest => 'analyses by how far the estimate stands from no effect, within one measure: measures are not compared',
            Extreme::Smallest => 'analyses by how near the estimate stands to no effect, within one measure: measures are not compared',
            Extreme::Surest => 'analyses by how narrow the interval is, within one measure: measures are not compared',
            Extreme::Varied => 'analyses by I²',
        };
    }

    /** @return list<WeighedAnalysis> */
    private function analyses(): array
    {
        $outcomes = ReviewOutcome::query()->where('review_id', $this->review->id)->get()->keyBy('id');
        $all = [];
        foreach (KeptAnalysis::of($this->review)->get() as $kept) {
            $outcome = $outcomes->get($kept->asked()->outcome);
            if ($outcome === null) {
                continue;
            }
            $all[] = $this->analysis($kept, $outcome);
        }

        return $all;
    }

    private function analysis(KeptAnalysis $kept, ReviewOutcome $outcome): WeighedAnalysis
    {
        $pooled = PooledAnalysis::of($this->review, $kept->asked(), $outcome);
        $estimate = $pooled->pooled();

        return new WeighedAnalysis(
            title: $kept->title,
            url: route('analyses.show', [$this->review, $kept], false),
            measure: $kept->asked()->measure,
            k: $estimate->k,
            people: $pooled->people(),
            i2: $pooled->heterogeneity()->iSquared(),
            estimate: $estimate->estimate,
            width: $estimate->low === null || $estimate->high === null ? null : $estimate->high - $estimate->low,
            shown: Shown::pooled($kept->asked()->measure, $estimate, $pooled->size()),
        );
    }

    /**
     * @param  list<WeighedAnalysis>  $analyses
     * @return list<OrderedRow>
     */
    private function ordered(Extreme $extreme, array $analyses): array
    {
        // on the scale on which they are pooled, no effect is 0
        $size = fn (WeighedAnalysis $one): ?float => $one->estimate === null ? null : abs($one->estimate);
        $shown = fn (WeighedAnalysis $one): string => $one->shown;
        [$by, $value] = match ($extreme) {
            Extreme::Studies => [
                fn (WeighedAnalysis $one): int => -$one->k,
                fn (WeighedAnalysis $one): string => "{$one->k} studies",
            ],
            Extreme::People => [
                fn (WeighedAnalysis $one): int => -$one->people,
                fn (WeighedAnalysis $one): string => number_format($one->people).' people',
            ],
            Extreme::Varied => [
                fn (WeighedAnalysis $one): float => -($one->i2 ?? -1.0),
                fn (WeighedAnalysis $one): string => $one->i2 === null ? 'not to be told' : 'I² '.Shown::number($one->i2, 0).' %',
            ],
            Extreme::Largest => [fn (WeighedAnalysis $one): array => [$one->measure->value, -($size($one) ?? -1.0)], $shown],
            Extreme::Smallest => [fn (WeighedAnalysis $one): array => [$one->measure->value, $size($one) ?? INF], $shown],
            Extreme::Surest => [fn (WeighedAnalysis $one): array => [$one->measure->value, $one->width ?? INF], $shown],
        };
        usort($analyses, fn (WeighedAnalysis $a, WeighedAnalysis $b): int => [$by($a), $a->title] <=> [$by($b), $b->title]);

        return array_map(
            fn (WeighedAnalysis $one): OrderedRow => new OrderedRow($one->title, $value($one), $one->url),
            $analyses,
        );
    }
}
