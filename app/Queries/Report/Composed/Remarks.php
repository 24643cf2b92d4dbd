<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What people say to each other about words of a report. */
final class Remarks
{
    /** @return array<string, RemarkThread> by thread */
    public static function of(Report $report): array
    {
        $threads = [];
        foreach (self::rows($report) as $row) {
            $at = CarbonImmutable::parse($row->created_at)->format('j M, H:i');
            $before = $threads[$row->thread] ?? new RemarkThread(false, []);
            $threads[$row->thread] = new RemarkThread(
                $row->ends ?? $before->ended,
                [...$before->said, new Remark($row->id, $row->name, $at, $row->body, $row->ends)],
            );
        }

        return $threads;
    }

    /** @return Collection<int, stdClass> */
    private static function rows(Report $report): Collection
    {
        return DB::table('report_remarks')
            ->join('users', 'users.id', '=', 'report_remarks.user_id')
            ->where('review_id', $report->review_id)
            ->where('report_id', $report->id)
            ->orderBy('report_remarks.id')
            ->get(['report_remarks.id', 'thread', 'users.name', 'body', 'ends', 'report_remarks.created_at']);
    }
}
