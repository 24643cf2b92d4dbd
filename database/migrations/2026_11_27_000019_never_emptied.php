<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** TRUNCATE passes by the triggers that look at rows: what is only added to refuses it by a trigger of its own. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['log_entries', 'decisions', 'proposals', 'settlements', 'answers', 'rulings', 'records', 'strategy_revisions', 'strategy_versions', 'runs'] as $table) {
            DB::statement("CREATE TRIGGER never_emptied BEFORE TRUNCATE ON {$table} FOR EACH STATEMENT EXECUTE FUNCTION forbid_change()");
        }
    }
};
