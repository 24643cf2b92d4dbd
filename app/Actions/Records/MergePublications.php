<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Actions\WriteLog;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Record;
use Illuminate\Support\Facades\DB;

/** Makes one publication of two, as long as people have worked on one of them at most. */
final readonly class MergePublications
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<array{string, string}>  $pairs
     * @return list<string> the publications that are no longer there
     */
    public function all(string $reviewId, array $pairs): array
    {
        $goneTo = [];
        foreach ($pairs as [$a, $b]) {
            $a = $goneTo[$a] ?? $a;
            $b = $goneTo[$b] ?? $b;
            $gone = $a === $b ? null : $this->merge($reviewId, $a, $b);
            if ($gone !== null) {
                $kept = $gone === $a ? $b : $a;
                $goneTo = [...array_map(fn (string $to): string => $to === $gone ? $kept : $to, $goneTo), $gone => $kept];
            }
        }

        return array_keys($goneTo);
    }

    private function merge(string $reviewId, string $a, string $b): ?string
    {
        $worked = DB::table('items')->where('review_id', $reviewId)->whereIn('publication_id', [$a, $b])
            ->where(fn ($any) => $any->whereExists(fn ($q) => $q->from('decisions')->whereColumn('decisions.item_id', 'items.id')))
            ->pluck('publication_id')->all();
        if (count($worked) === 2) {
            return null; // a person has to say how their decisions come together
        }
        $kept = in_array($b, $worked, true) ? $b : ($worked === [] ? min($a, $b) : $a);
        $gone = $kept === $a ? $b : $a;
        $moved = Record::query()->where('review_id', $reviewId)->where('publication_id', $gone)->pluck('id');
        Record::query()->where('review_id', $reviewId)->where('publication_id', $gone)->update(['publication_id' => $kept]);
        $publication = Publication::query()->findOrFail($kept);
        $other = Publication::query()->findOrFail($gone);
        $publication->update(['records_count' => $publication->records_count + $moved->count(), 'doi' => $publication->doi !== '' ? $publication->doi : $other->doi]);
        Item::query()->where('review_id', $reviewId)->where('publication_id', $gone)->delete();
        $other->delete();
        ($this->log)($reviewId, null, 'publication.merged', "Found to be one publication: “{$publication->title}”", $publication, ['gone' => $gone, 'records' => $moved->all()]);

        return $gone;
    }
}
