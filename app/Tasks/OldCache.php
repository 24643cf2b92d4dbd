<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Support\Facades\DB;

/** Takes away what was kept for a while: the database keeps it until it is asked for again, which it mostly is not. */
final class OldCache
{
    use Sometimes;

    private const SECONDS = 600.0;

    public function sometimes(): void
    {
        if (self::isTime(self::SECONDS)) {
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
