<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Plans that a connection keeps, its own and those by which the server checks references. */
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
}
