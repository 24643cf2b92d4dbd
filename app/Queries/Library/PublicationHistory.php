<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\LogEntry;
use App\Models\Publication;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What the Log tells of one publication, of its records and of what was decided on it, as far as a person may see it.
 */
final class PublicationHistory
{
    /** @return Collection<int, LogEntry> newest first */
    public static function of(Publication $publication, User $user): Collection
    {
        $publications = DB::table('publications')
            ->where('review_id', $publication->review_id)
            ->where('merged_into', $publication->id)
            ->pluck('id')
            ->push($publication->id);
        $items = DB::table('items')
            ->where('review_id', $publication->review_id)
            ->whereIn('publication_id', $publications)
            ->pluck('id');
        $subjects = $publications->merge($items)->merge($publication->records()->pluck('id'));
        $query = LogEntry::query()
            ->where('log_entries.review_id', $publication->review_id)
            ->where(fn ($any) => $any->whereIn('subject_id', $subjects)->orWhereIn('blinded_item_id', $items))
            ->with('user')
            ->orderByDesc('log_entries.id')
            ->limit(100);
        Visibility::log($query->getQuery(), $user);

        $entries = $query->get();
        Visibility::withoutNames($entries, $user);

        return $entries;
    }
}
