<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Flow\Stream;

/** The stages of a review with what is left at each, for the strip on top of its pages. */
final readonly class Waterline
{
    public const WIDTH = 1280;

    /** Where a stage leads whose place is called otherwise. */
    private const PLACES = ['records' => 'library', 'synthesis' => 'map'];

    /**
     * @param  list<WaterlineStage>  $stages
     * @param  list<NextStep>  $next  what is to be done, in order
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
        $waiting = Waiting::for($user, $review, $byStage);
        $about = self::about($review);
        $counts = WaterlineCounts::of($review, $byStage, (int) $about->records);
        $isInFull = $counts->full !== null;
        $criteria = (int) $about->criteria;
        $of = fn (
            string $key,
            string $label,
            int $n,
            string $unit,
            int $waits = 0,
            ?Outflow $out = null,
        ): WaterlineStage => new WaterlineStage(
            $key,
            $label,
            route(self::PLACES[$key] ?? $key, $review),
            $n,
            $unit,
            $waits,
            $out,
        );
        $stages = [
            $of('question', 'Question', $criteria, $criteria === 1 ? 'criterion' : 'criteria'),
            $of('searches', 'Searches', $counts->records, 'records'),
            $of('records', 'Records', $counts->publications, 'publications', out: $counts->outOfRecords()),
            $of(
                'screening',
                'Screening',
                $counts->left(),
                'still in',
                $waiting->toScreen + $waiting->toSettle,
                $counts->outOfScreening(),
            ),
            $of(
                'full-texts',
                'Full texts',
                $counts->sought(),
                $isInFull ? 'sought' : 'not read in full',
                $waiting->toReadInFull,
                $counts->outOfFullTexts(),
            ),
            $of(
                'coding',
                'Coding',
                $counts->inTheEnd(),
                $isInFull ? 'reports in' : 'included',
                $waiting->toCode,
                $counts->outOfCoding(),
            ),
            $of('synthesis', 'Synthesis', (int) $about->pooled, 'with results'),
            $of('report', 'Report', $waiting->coded, 'coded'),
        ];

        return new self(
            $stages,
            Stream::through([...$counts->widths(), $waiting->coded], self::WIDTH),
            $waiting,
            $waiting->all(),
            NextSteps::for($user, $review, $waiting, $counts->records, (int) $about->criteria),
        );
    }

    private static function about(Review $review): stdClass
    {
        return DB::selectOne(
            <<<'SQL'
            SELECT (SELECT coalesce(sum(kept), 0) FROM deliveries WHERE review_id = ?) AS records,
                   (SELECT count(*) FROM criteria WHERE review_id = ? AND retired_at IS NULL) AS criteria,
                   (SELECT count(DISTINCT publication_id) FROM standing_results WHERE review_id = ?) AS pooled
            SQL
            ,
            [$review->id, $review->id, $review->id],
        );
    }
}
