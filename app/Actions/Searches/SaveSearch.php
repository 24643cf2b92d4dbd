<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\WriteLog;
use App\Models\Review;
use App\Models\Search;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class SaveSearch
{
    public function __construct(private WriteLog $log)
    {
    }

    public function create(User $by, Review $review, string $name, string $source, string $query): Search
    {
        return DB::transaction(function () use ($by, $review, $name, $source, $query): Search {
            $search = $review->searches()->create(['name' => $name, 'source' => $source, 'query' => $query, 'created_by' => $by->id]);
            ($this->log)($review, $by, 'search.saved', "Saved the search “{$name}”", $search, ['query' => $query]);

            return $search;
        });
    }

    public function change(User $by, Search $search, string $name, string $query): void
    {
        DB::transaction(function () use ($by, $search, $name, $query): void {
            $before = $search->only('name', 'query');
            $search->update(['name' => $name, 'query' => $query] + ($query === $search->query ? [] : ['count' => null, 'counted_at' => null]));
            ($this->log)($search->review_id, $by, 'search.changed', "Changed the search “{$name}”", $search, ['before' => $before, 'query' => $query]);
        });
    }
}
