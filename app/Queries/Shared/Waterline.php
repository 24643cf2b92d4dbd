<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\Stream;
use WaryHeron\Core\Screening\ItemState;

/** The stages of a review with what is left at each, for the strip on top of its pages. */
final readonly class Waterline
{
    public const WIDTH = 1280;

    /**
     * @param  list<array{key: string, label: string, figure: string, unit: string, waits: int, url: string,
     *     outflow: ?array{text: string, url: string}}>  $stages
     * @param  list<array{words: string, url: string}>  $next  what is to be done, in order
     */
    private function __construct(
        public array $stages,
        public Stream $stream,
        public Waiting $waiting,
        public int $waits,
        public array $next,
    ) {
    }

    public static function of(Review $review, User $user): self
    {
        $byStage = Tallies::ofStages($review);
        $tallies = $byStage[$review->firstStage()->id];
        $waiting = Waiting::for($user, $review, $byStage);
        $about = DB::selectOne(
            <<<'SQL'
            SELECT (SELECT coalesce(sum(kept), 0) FROM deliveries WHERE review_id = ?) AS records,
                   (SELECT count(*) FROM criteria WHERE review_id = ? AND retired_at IS NULL) AS criteria,
                   (SELECT count(DISTINCT publication_id) FROM standing_results WHERE review_id = ?) AS pooled
            SQL
            ,
            [$review->id, $review->id, $review->id],
        );
        $records = (int) $about->records;
        $publications = $tallies->all();
        $included = $tallies->in(ItemState::Included);
        $full = Retrievals::stage($review) === null ? null : $byStage[Retrievals::stage($review)->id];
        $givenUp = $full === null || $full->in(ItemState::Removed) === 0 ? 0 : array_sum(Retrievals::givenUp($review));
        $inTheEnd = $full === null ? $included : $full->in(ItemState::Included);
        $excluded = $tallies->in(ItemState::Excluded);
        $left = $publications - $excluded;
        $coded = $waiting->coded;
        $removed = $tallies->in(ItemState::Removed);
        $duplicates = $records - $publications - $removed;
        $outOfRecords = array_filter([
            $duplicates > 0 ? number_format($duplicates).($duplicates === 1 ? ' duplicate' : ' duplicates') : '',
            $removed > 0 ? number_format($removed).' removed' : '',
        ]);
        $library = fn (array $filter): string => route('library', [$review, ...$filter]);
        $out = $full === null ? 0 : $full->in(ItemState::Excluded) + $givenUp;
        $pending = $full === null ? 0 : $full->all() - $inTheEnd - $full->in(ItemState::Excluded);
        $outOfFullTexts = array_filter([
            $out > 0 ? number_format($out).' out' : '',
            $pending > 0 ? number_format($pending).' pending' : '',
        ]);
        $stages = [
            [
                'key' => 'question',
                'label' => 'Question',
                'figure' => number_format((int) $about->criteria),
                'unit' => (int) $about->criteria === 1 ? 'criterion' : 'criteria',
                'waits' => 0,
                'url' => route('question', $review),
                'outflow' => null,
            ],
            [
                'key' => 'searches',
                'label' => 'Searches',
                'figure' => number_format($records),
                'unit' => 'records',
                'waits' => 0,
                'url' => route('searches', $review),
                'outflow' => null,
            ],
            [
                'key' => 'records',
                'label' => 'Records',
                'figure' => number_format($publications),
                'unit' => 'publications',
                'waits' => 0,
                'url' => route('library', $review),
                'outflow' => $outOfRecords === []
                        ? null
                        : [
                            'text' => implode(', ', $outOfRecords),
                            'url' => $library($duplicates > 0 ? ['duplicates' => 1] : ['removed' => 1]),
                        ],
            ],
            [
                'key' => 'screening',
                'label' => 'Screening',
                'figure' => number_format($left),
                'unit' => 'still in',
                'waits' => $waiting->toScreen + $waiting->toSettle,
                'url' => route('screening', $review),
                'outflow' => $excluded > 0
                        ? ['text' => number_format($excluded).' excluded', 'url' => $library(['state' => 'excluded'])]
                        : null,
            ],
            [
                'key' => 'full-texts',
                'label' => 'Full texts',
                'figure' => number_format($full === null ? $included : $full->all() + $givenUp),
                'unit' => $full === null ? 'not read in full' : 'sought',
                'waits' => $waiting->toReadInFull,
                'url' => route('full-texts', $review),
                'outflow' => $left - $included > 0 && $publications > 0
                        ? [
                            'text' => number_format($left - $included).' pending',
                            'url' => $library(['state' => 'pending']),
                        ]
                        : null,
            ],
            [
                'key' => 'coding',
                'label' => 'Coding',
                'figure' => number_format($inTheEnd),
                'unit' => $full === null ? 'included' : 'reports in',
                'waits' => $waiting->toCode,
                'url' => route('coding', $review),
                'outflow' => $outOfFullTexts === []
                        ? null
                        : ['text' => implode(', ', $outOfFullTexts), 'url' => route('full-texts', $review)],
            ],
            [
                'key' => 'synthesis',
                'label' => 'Synthesis',
                'figure' => number_format((int) $about->pooled),
                'unit' => 'with results',
                'waits' => 0,
                'url' => route('map', $review),
                'outflow' => null,
            ],
            [
                'key' => 'report',
                'label' => 'Report',
                'figure' => number_format($coded),
                'unit' => 'coded',
                'waits' => 0,
                'url' => route('report', $review),
                'outflow' => null,
            ],
        ];

        return new self(
            $stages,
            Stream::through([$records, $records, $publications, $left, $included, $inTheEnd, $inTheEnd, $coded], self::WIDTH),
            $waiting,
            $waiting->all(),
            NextSteps::for($user, $review, $waiting, $records, (int) $about->criteria),
        );
    }
}
