<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Models\Report;
use App\Models\User;
use App\View\Report\BlockContent;
use App\View\Report\LiveBlocks;
use Illuminate\Support\Facades\DB;

/** Keeps what a live block shows: when it is put in, and each time somebody refreshes it. */
final class TakeBlock
{
    public function execute(User $by, Report $report, string $id, string $kind, string $source): BlockContent
    {
        $shown = LiveBlocks::of($report->review, $kind, $source);
        DB::table('report_blocks')->upsert(
            [
                'review_id' => $report->review_id,
                'report_id' => $report->id,
                'id' => $id,
                'kind' => $kind,
                'source' => $source,
                'shown' => json_encode($shown->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'user_id' => $by->id,
                'taken_at' => now(),
            ],
            ['review_id', 'report_id', 'id'],
            ['kind', 'source', 'shown', 'user_id', 'taken_at'],
        );

        return $shown;
    }
}
