<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use Illuminate\Support\Facades\DB;

/** The document of a report as far as it has been read, in base64. */
final class ReportBase
{
    public static function of(Report $report): string
    {
        $kept = DB::selectOne(
            "SELECT encode(base, 'base64') AS base FROM reports WHERE review_id = ? AND id = ?",
            [$report->review_id, $report->id],
        );

        return self::plain($kept->base);
    }

    /** As PostgreSQL writes it, without its line ends. */
    public static function plain(string $base64): string
    {
        return str_replace("\n", '', $base64);
    }
}
