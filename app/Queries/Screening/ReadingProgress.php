<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\CheckSample;
use App\Models\Ranking;
use App\Models\Stage;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\ProgressCurve;
use WaryHeron\Core\Screening\Ranking\RecallEstimate;

/**
 * How far the reading of a stage has come, and what a check sample tells of what is left. Only what has opened is
 * counted.
 */
final class ReadingProgress
{
    public const WIDTH = 700.0;

    public const HEIGHT = 260.0;

    private const POINTS = 300;

    public static function curve(Stage $stage): ProgressCurve
    {
        $rows = DB::select(
            <<<'SQL'
            WITH read AS (
                SELECT row_number() OVER w AS n, sum((state = 'included')::int) OVER w AS found, count(*) OVER () AS every FROM items
                WHERE review_id = ? AND stage_id = ? AND state IN ('included', 'excluded') WINDOW w AS (ORDER BY opened_at, id)
            ) SELECT n, found FROM read WHERE n = every OR n % greatest(1, every / ?) = 0 ORDER BY n
            SQL
            ,
            [$stage->review_id, $stage->id, self::POINTS],
        );

        $points = array_map(fn (stdClass $row): array => [(int) $row->n, (int) $row->found], array_values($rows));
        $all = Tallies::of($stage->review, $stage)->all();

        return ProgressCurve::of($points, $all, self::WIDTH, self::HEIGHT);
    }

    public static function ranking(Stage $stage): ?Ranking
    {
        return Ranking::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->orderByDesc('id')
            ->first();
    }

    public static function lastCheck(Stage $stage): ?CheckSample
    {
        return CheckSample::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->orderByDesc('id')
            ->first();
    }

    /** Whether everything that was unread when the sample was drawn has been decided by now. */
    private static function isAllRead(CheckSample $check): bool
    {
        return DB::table('items')
            ->where('review_id', $check->review_id)
            ->where('stage_id', $check->stage_id)
            ->where('created_at', '<=', $check->created_at)
            ->whereIn('state', [ItemState::Waiting->value, ItemState::Awaited->value, ItemState::Disagreement->value])
            ->doesntExist();
    }

    public static function check(CheckSample $check): ReadSample
    {
        $in = '{'.implode(',', $check->items).'}';
        $row = DB::selectOne(
            <<<'SQL'
            SELECT count(*) FILTER (WHERE state IN ('included', 'excluded')) AS read, count(*) FILTER (WHERE state = 'included') AS hits, count(*) FILTER (WHERE state NOT IN ('folded', 'removed')) AS there
            FROM items WHERE review_id = ? AND id = ANY (?::bpchar[])
            SQL
            ,
            [$check->review_id, $in],
        );
        // what was deleted or taken out since is no longer among what was unread
        $drawn = (int) $row->there;
        $gone = count($check->items) - $drawn;
        $since = self::foundSince($check);
        [$hits, $unread] = [(int) $row->hits, max($drawn, $check->unread - $gone)];

        return new ReadSample(
            (int) $row->read,
            $drawn,
            $hits,
            $gone,
            match (true) {
                $drawn === 0 || (int) $row->read !== $drawn => null,
                self::isAllRead($check) => RecallEstimate::counted($since),
                default => RecallEstimate::of($unread, $drawn, $hits, $check->found_before, max($since, $hits)),
            },
        );
    }

    private static function foundSince(CheckSample $check): int
    {
        return DB::table('items')
            ->where('review_id', $check->review_id)
            ->where('stage_id', $check->stage_id)
            ->where('state', ItemState::Included->value)
            ->where('opened_at', '>', $check->created_at)
            ->where('created_at', '<=', $check->created_at)
            ->count();
    }
}
