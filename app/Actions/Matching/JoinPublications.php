<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Library\PublicationFromRecords;
use App\Actions\Screening\ItemBallot;
use App\Actions\Screening\TitlesFirst;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Item;
use App\Models\Join;
use App\Models\Publication;
use App\Models\Record;
use App\Models\Study;
use App\Models\User;
use App\Queries\Library\ReviewWords;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/**
 * Makes one publication of several, and takes that back. What people did on one that goes stays under it and counts
 * for the one that is kept; where their decisions differ, a disagreement comes of it.
 */
final readonly class JoinPublications
{
    public function __construct(private PublicationFromRecords $values, private WriteLog $log)
    {
    }

    /**
     * @param  list<string>  $publicationIds  of one review, two or more
     * @param  string  $stroke  what is undone together
     * @return ?string the publication that is kept; null where there was nothing to join
     */
    public function execute(
        ?User $by,
        string $reviewId,
        array $publicationIds,
        string $stroke,
        ?string $matchingId = null,
    ): ?string {
        return DB::transaction(function () use ($by, $reviewId, $publicationIds, $stroke, $matchingId): ?string {
            Locks::recordsOf($reviewId);
            $publications = self::locked($reviewId, $publicationIds);
            if ($publications->count() < 2) {
                return null;
            }
            $work = $this->work($reviewId, array_values($publications->pluck('id')->all()));
            $first = $publications->first()?->id;
            $worth = fn (Publication $p): array => [$work[$p->id] ?? 0, $p->records_count, $p->id === $first ? 1 : 0];
            $kept = $publications->sortByDesc($worth)->firstOrFail();
            foreach ($publications as $gone) {
                if ($gone->id !== $kept->id) {
                    $this->take($by, $gone, $kept, ($work[$gone->id] ?? 0) > 0, $stroke, $matchingId);
                }
            }
            $this->values->refresh($kept->refresh());
            $this->count($kept->id);

            return $kept->id;
        });
    }

    /**
     * @param  list<string>  $ids
     * @return Collection<int, Publication> those of them that stand
     */
    private static function locked(string $reviewId, array $ids): Collection
    {
        return Publication::query()
            ->where('review_id', $reviewId)
            ->whereIn('id', $ids)
            ->whereNull('merged_into')
            ->whereNull('removed_at')
            ->orderBy('id')
            ->lockForUpdate()
            ->get();
    }

    /** @throws Refused If the publication it went into is itself no longer there. */
    public function undo(User $by, Join $join): void
    {
        DB::transaction(function () use ($by, $join): void {
            Locks::recordsOf($join->review_id);
            $join = $join->locked();
            if ($join->undone_at !== null) {
                return;
            }
            $kept = $this->keptOf($join);
            $own = $this->recordsOf($join, $kept);
            $back = $join->folded ? $this->unfolded($join) : $this->madeAgain($join, $own);
            $this->giveStudyBack($join, $back, $kept);
            Record::query()->whereIn('id', array_column($own, 'id'))->update(['publication_id' => $back->id]);
            self::unfoldItems($back);
            $join->update(['undone_at' => now(), 'undone_by' => $by->id]);
            foreach ([$back, $kept] as $one) {
                $this->values->refresh($one);
                $this->count($one->id);
            }
            TitlesFirst::arrive($back->review, [$back->id, $kept->id]);
            $about = ['from' => $kept->id, 'records' => $join->records];
            ($this->log)($join->review_id, $by, 'publication.split', "Taken apart again: “{$back->title}”", $back, $about);
        });
    }

    private static function unfoldItems(Publication $back): void
    {
        Item::query()
            ->where('review_id', $back->review_id)
            ->where('publication_id', $back->id)
            ->where('state', ItemState::Folded->value)
            ->update(['folded_at' => null, 'state' => ItemState::Waiting->value, 'opened_at' => null]);
    }

    /** @throws Refused */
    private function keptOf(Join $join): Publication
    {
        return Publication::query()
            ->where('review_id', $join->review_id)
            ->whereNull('merged_into')
            ->find($join->kept) ??
            throw new Refused('The publication these records went into has itself gone into another. Undo that first.');
    }

    /**
     * @return non-empty-list<Record> those that came with the join and are still there, beside others
     *
     * @throws Refused
     */
    private function recordsOf(Join $join, Publication $kept): array
    {
        $records = array_values(
            Record::query()
                ->where('review_id', $join->review_id)
                ->whereIn('id', $join->records)
                ->where('publication_id', $kept->id)
                ->get()
                ->all(),
        );
        if ($records === [] || count($records) === $kept->records()->count()) {
            throw new Refused('These records have been moved since; there is nothing left to undo.');
        }

        return $records;
    }

    private function unfolded(Join $join): Publication
    {
        $back = Publication::query()->where('review_id', $join->review_id)->findOrFail($join->gone);
        $back->update(['merged_into' => null]);

        return $back;
    }

    /** @param  non-empty-list<Record>  $own */
    private function madeAgain(Join $join, array $own): Publication
    {
        $values = $this->values->values($own);
        ReviewWords::add($join->review_id, ReviewWords::of((string) $values['words']));
        $back = new Publication([...$values, 'review_id' => $join->review_id, 'chosen' => $join->chosen]);
        $back->id = $join->gone;
        $back->save();
        Item::query()->create([
            'review_id' => $join->review_id,
            'publication_id' => $back->id,
            'stage_id' => $back->review->firstStage()->id,
        ]);

        return $back;
    }

    private function giveStudyBack(Join $join, Publication $back, Publication $kept): void
    {
        if (! $join->folded) {
            $back->update(['study_id' => $join->study_id]);
        }
        if ($join->study_taken && $kept->study_id === $back->study_id) {
            $kept->update(['study_id' => null]);
            self::carriesFor($back->study_id, $kept->id, $back->id);
        }
    }

    private function take(
        ?User $by,
        Publication $gone,
        Publication $kept,
        bool $hasWork,
        string $stroke,
        ?string $matchingId,
    ): void {
        $records = $gone->records()->where('review_id', $gone->review_id)->pluck('id')->all();
        $takesStudy = $gone->study_id !== null && $kept->study_id === null;
        Join::query()->create([
            'review_id' => $gone->review_id,
            'matching_id' => $matchingId,
            'user_id' => $by?->id,
            'stroke' => $stroke,
            'kept' => $kept->id,
            'gone' => $gone->id,
            'records' => $records,
            'folded' => $hasWork,
            ...$gone->only('chosen', 'study_id'),
            'study_taken' => $takesStudy,
        ]);
        if ($takesStudy) {
            $kept->update(['study_id' => $gone->study_id]);
        }
        self::carriesFor($gone->study_id, $gone->id, $kept->id);
        Record::query()->whereIn('id', $records)->update(['publication_id' => $kept->id]);
        $hasWork ? $this->fold($gone, $kept) : $this->drop($gone);
        $words = "Found to be one publication: “{$kept->title}”";
        $about = ['gone' => $gone->id, 'records' => $records, 'decided' => $hasWork];
        ($this->log)($gone->review_id, $by, 'publication.joined', $words, $kept, $about);
    }

    /** What people did on it stays with it, out of sight. */
    private function fold(Publication $gone, Publication $kept): void
    {
        Item::query()
            ->where('review_id', $gone->review_id)
            ->where('publication_id', $gone->id)
            ->update(['state' => ItemState::Folded->value, 'folded_at' => now()]);
        Publication::query()
            ->where('review_id', $gone->review_id)
            ->where('merged_into', $gone->id)
            ->update(['merged_into' => $kept->id]);
        $gone->update(['merged_into' => $kept->id]);
    }

    private function drop(Publication $gone): void
    {
        foreach (['publication_tags', 'items'] as $table) {
            DB::table($table)->where('review_id', $gone->review_id)->where('publication_id', $gone->id)->delete();
        }
        $gone->delete();
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, int> how much people did, by publication; tags move nothing and do not count
     */
    private function work(string $reviewId, array $ids): array
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT publication_id, sum(n)::int AS n FROM (
                SELECT items.publication_id, count(*) AS n FROM items JOIN decisions ON decisions.review_id = items.review_id AND decisions.item_id = items.id WHERE items.review_id = ? AND items.publication_id = ANY (?::bpchar[]) GROUP BY 1
                UNION ALL SELECT items.publication_id, count(*) FROM items JOIN talk_messages ON talk_messages.review_id = items.review_id AND talk_messages.item_id = items.id WHERE items.review_id = ? AND items.publication_id = ANY (?::bpchar[]) GROUP BY 1
                UNION ALL SELECT publication_id, count(*) FROM answers WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) GROUP BY 1
                UNION ALL SELECT publication_id, count(*) FROM leads WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) AND ruling <> 'waiting' GROUP BY 1
                UNION ALL SELECT publication_id, count(*) FROM results WHERE review_id = ? AND publication_id = ANY (?::bpchar[])
                    AND superseded_at IS NULL AND NOT withdrawn GROUP BY 1
                UNION ALL SELECT publication_id, count(*) FROM publication_tags WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) GROUP BY 1
                UNION ALL SELECT publication_id, count(*) FROM retrievals WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) GROUP BY 1
            ) AS work GROUP BY 1
            SQL
            ,
            array_merge(...array_fill(0, 7, [$reviewId, '{'.implode(',', $ids).'}'])),
        );

        return array_column($rows, 'n', 'publication_id');
    }

    /** Computes the item's state anew from everybody's decisions. */
    private function count(string $publicationId): void
    {
        foreach (
            Item::query()
                ->where('publication_id', $publicationId)
                ->where('state', '<>', ItemState::Folded->value)
                ->orderBy('position')
                ->get() as $item
        ) {
            $ballot = ItemBallot::ifThere($item);
            if ($ballot === null) {
                continue;
            }
            $ballot->keep($ballot->ballot);
            // decisions on what was folded in are read when this item is
            Item::query()
                ->where('review_id', $item->review_id)
                ->where('stage_id', $item->stage_id)
                ->where('state', ItemState::Folded->value)
                ->whereIn('publication_id', Publication::query()->where('merged_into', $publicationId)->select('id'))
                ->update(['opened_at' => $ballot->item->opened_at]);
        }
    }

    /** A study that was coded with one publication is coded with the other. */
    private static function carriesFor(?string $study, string $before, string $after): void
    {
        if ($study !== null) {
            Study::query()->whereKey($study)->where('carried_by', $before)->update(['carried_by' => $after]);
        }
    }
}
