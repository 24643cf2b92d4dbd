<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Keeps what people say of the search that no machine can know. */
final readonly class DescribeSearch
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  array<string, string>  $notes  by the keys of SearchReport::TYPED
     *
     * @throws Refused If they are no longer as they were shown.
     */
    public function execute(User $by, Review $review, array $notes, Shown $shown = new Shown()): void
    {
        DB::transaction(function () use ($by, $review, $notes, $shown): void {
            $review = $review->locked();
            $before = $review->search_notes;
            $after = array_filter([...$before, ...$notes], fn (string $note): bool => $note !== '');
            if ($after === $before) {
                return;
            }
            $shown->orOvertaken($before, $by, $review, 'search.described', 'said more of how was searched');
            $review->update(['search_notes' => $after]);
            ($this->log)($review, $by, 'search.described', 'Said more of how was searched', $review, [
                'before' => $before,
                'after' => $after,
            ]);
        });
    }
}
