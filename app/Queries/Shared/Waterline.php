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
        $waiting = Waiting::for($user, $review, $byStage);
        $about = self::about($review);
        $counts = WaterlineCounts::of($review, $byStage, (int) $about->records);
        $stages = [
            self::stage('question', 'Question', (int) $about->criteria, (int) $about->criteria === 1 ? 'criterion' : 'criteria'),
            self::stage('searches', 'Searches', $counts->records, 'records'),
            self::stage('records', 'Records', $counts->publications, 'publications', outflow: $counts->outOfRecords()),
            self::stage(
                'screening',
                'Screening',
                $counts->left(),
                'still in',
                $waiting->toScreen + $waiting->toSettle,
                $counts->outOfScreening(),
            ),
            self::stage(
                'full-texts',
                'Full texts',
                $counts->sought(),
                $counts->full === null ? 'not read in full' : 'sought',
                $waiting->toReadInFull,
                $counts->outOfFullTexts(),
            ),
            self::stage(
                'coding',
                'Coding',
                $counts->inTheEnd(),
                $counts->full === null ? 'included' : 'reports in',
                $waiting->toCode,
                $counts->outOfCoding(),
            ),
            self::stage('synthesis', 'Synthesis', (int) $about->pooled, 'with results'),
            self::stage('report', 'Report', $waiting->coded, 'coded'),
        ];

        return new self(
            array_values(array_map(
                fn (array $stage): array => [...$stage, 'url' => route(self::PLACES[$stage['key']] ?? $stage['key'], $review)],
                $stages,
            )),
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

    /**
     * @param  ?array{text: string, url: string}  $outflow
     * @return array{key: string, label: string, figure: string, unit: string, waits: int,
     *     outflow: ?array{text: string, url: string}}
     */
    private static function stage(
        string $key,
        string $label,
        int $figure,
        string $unit,
        int $waits = 0,
        ?array $outflow = null,
    ): array {
        $figure = number_format($figure);

        return compact('key', 'label', 'figure', 'unit', 'waits', 'outflow');
    }
}
