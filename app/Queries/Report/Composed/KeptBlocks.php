<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What the live blocks of a report showed when each was taken last. */
final class KeptBlocks
{
    /** @return array<string, array{kind: string, source: string, shown: array<string, mixed>, taken: string}> by block */
    public static function of(Report $report): array
    {
        return DB::table('report_blocks')
            ->where('review_id', $report->review_id)
            ->where('report_id', $report->id)
            ->get()
            ->mapWithKeys(fn (stdClass $one): array => [$one->id => [
                'kind' => $one->kind,
                'source' => $one->source,
                'shown' => json_decode($one->shown, true, 16, JSON_THROW_ON_ERROR),
                'taken' => $one->taken_at,
            ]])
            ->all();
    }

    /**
     * @param  array<string, array{kind: string, source: string, shown: array<string, mixed>, taken: string}>  $blocks
     * @return array<string, array{title: string, html: string, kind: string, source: string}> as a page draws them
     */
    public static function drawn(array $blocks): array
    {
        return array_map(fn (array $one): array => [
            'title' => $one['shown']['title'],
            'html' => $one['shown']['html'],
            'kind' => $one['kind'],
            'source' => $one['source'],
        ], $blocks);
    }
}
