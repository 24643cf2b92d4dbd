<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\SavedTable;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** Keeps tables of studies as definitions. */
final readonly class KeepTable
{
    public function __construct(private WriteLog $log)
    {
    }

    public function begin(User $by, Review $review, string $title, TableDefinition $terms): SavedTable
    {
        return DB::transaction(function () use ($by, $review, $title, $terms): SavedTable {
            $table = SavedTable::query()->create([
                'review_id' => $review->id,
                'title' => $title,
                'terms' => $terms->toArray(),
                'user_id' => $by->id,
            ]);
            ($this->log)($review, $by, 'table.added', "Kept the table “{$title}”", $table, $terms->toArray());

            return $table;
        });
    }

    public function change(User $by, Review $review, SavedTable $table, string $title, TableDefinition $terms): void
    {
        DB::transaction(function () use ($by, $review, $table, $title, $terms): void {
            $before = $table->terms;
            $table->update(['title' => $title, 'terms' => $terms->toArray()]);
            ($this->log)($review, $by, 'table.changed', "Changed the table “{$title}”", $table, [
                'before' => $before,
                'after' => $terms->toArray(),
            ]);
        });
    }

    public function retire(User $by, Review $review, SavedTable $table): void
    {
        DB::transaction(function () use ($by, $review, $table): void {
            $table->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'table.retired', "Retired the table “{$table->title}”", $table);
        });
    }
}
