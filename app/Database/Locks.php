<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * What only one transaction at a time may do, by name. A lock is held until the transaction ends. The names stand here
 * and nowhere else, since one mistyped would be a race that nobody sees.
 */
final class Locks
{
    /** Which records belong to which publication. */
    public static function recordsOf(string $reviewId): void
    {
        self::hold("records of {$reviewId}");
    }

    /** The rules of a stage; whoever decides at it shares the lock with others who do. */
    public static function stage(string $stageId): void
    {
        self::hold("stage {$stageId}");
    }

    public static function decidingAt(string $stageId): void
    {
        self::hold("stage {$stageId}", '_shared');
    }

    /** Who judges the last items that wait at a stage. */
    public static function lastOf(string $stageId): void
    {
        self::hold("last of {$stageId}");
    }

    /** The learned order of reading. */
    public static function ranksOf(string $stageId): void
    {
        self::hold("ranks of {$stageId}");
    }

    public static function shareOutsOf(string $reviewId): void
    {
        self::hold("share-outs of {$reviewId}");
    }

    public static function fullTextsOf(string $reviewId): void
    {
        self::hold("full texts of {$reviewId}");
    }

    public static function studiesOf(string $reviewId): void
    {
        self::hold("studies of {$reviewId}");
    }

    /** Fetching what a run found. */
    public static function fetchOf(string $runId): void
    {
        self::hold("fetch of {$runId}");
    }

    private static function hold(string $name, string $how = ''): void
    {
        DB::select("SELECT pg_advisory_xact_lock{$how}(hashtext(?))", [$name]);
    }
}
