<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** How the server plans: what it knows of the tables, and the plans that a connection keeps. */
final class Plans
{
    /**
     * Lets them be made again, to be called when many rows came into a table: a plan of when it was empty may read all
     * rows of a review for each that names one, since any index that begins with the review was then as good as the key.
     */
    public static function anew(): void
    {
        DB::statement('DISCARD PLANS');
    }

    /**
     * Has the large tables looked at that have grown to twice their size since the server last did, to be called when
     * much has come in or changed: by a worker, since it may take seconds, and outside of a transaction.
     *
     * @return int how many
     */
    public static function knowTables(): int
    {
        return (int) DB::scalar('SELECT look_at_grown_tables()');
    }
}
