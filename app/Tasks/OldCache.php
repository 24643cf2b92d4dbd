<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Support\Facades\DB;

/** Takes away what was kept for a while: the database keeps it until somebody asks for it again, and mostly nobody does. */
final class OldCache
{
    private const SECONDS = 600.0;

    private static float $next = 0.0;

    /** Workers ask whenever they look for work. */
    public function sometimes(): void
    {
        $now = microtime(true);
        if ($now >= self::$next) {
            self::$next = $now + self::SECONDS;
            $this->execute();
        }
    }

    public function execute(): void
    {
        foreach (['cache', 'cache_locks'] as $table) {
            DB::table($table)->where('expiration', '<', now()->getTimestamp())->delete();
        }
    }
}
