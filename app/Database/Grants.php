<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** What the application's role may do with tables that it does not own. */
final class Grants
{
    /**
     * Given by the owner of the tables; where application and owner are one role, or there is no such role, nothing is
     * to be given.
     */
    public static function give(): void
    {
        $role = (string) config('database.application_role');
        $given = DB::selectOne(
            'SELECT current_user <> ? AND EXISTS (SELECT FROM pg_roles WHERE rolname = ?) AS possible',
            [$role, $role],
        );
        if ($given->possible) {
            DB::unprepared(
                str_replace(
                    ':role',
                    '"'.str_replace('"', '""', $role).'"',
                    (string) file_get_contents(database_path('grants.sql')),
                ),
            );
        }
    }
}
