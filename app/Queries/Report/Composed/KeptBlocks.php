<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What the live blocks of a report showed when each was taken last. */
final class KeptBlocks
{
    /** @return array<string, KeptBlock> by block */
    public static function of(Report $report): array
    {
        return DB::table('report_blocks')
            ->where('review_id', $report->review_id)
            ->where('report_id', $report->id)
            ->get()
            ->mapWithKeys(fn (stdClass $one): array => [$one->id => new KeptBlock(
                $one->kind,
                $one->source,
                json_decode($one->shown, true, 16, JSON_THROW_ON_ERROR),
                $one->taken_at,
            )])
            ->all();
    }

    /**
     * As a version of a report keeps them.
     *
     * @param  array<string, array<string, mixed>>  $kept
     * @return array<string, KeptBlock> by block
     */
    public static function ofVersion(array $kept): array
    {
        return array_map(fn (array $one): KeptBlock => new KeptBlock(...$one), $kept);
    }

    /**
     * @param  array<string, KeptBlock>  $blocks
     * @return array<string, DrawnBlock> as a page draws them
     */
    public static function drawn(array $blocks): array
    {
        return array_map(
            fn (KeptBlock $one): DrawnBlock => new DrawnBlock(
                $one->shown['title'],
                $one->shown['html'],
                $one->kind,
                $one->source,
            ),
            $blocks,
        );
    }
}
