<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Screening\ItemBallot;
use App\Actions\Screening\TitlesFirst;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Item;
use App\Models\Review;
use App\Models\User;
use App\Queries\Screening\ItemTraces;
use Illuminate\Database\Eloquent\Builder as Models;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * Takes publications out of the review for a reason other than being a duplicate, and brings them back. All that was
 * said of them is kept.
 */
final readonly class RemovePublications
{
    private const PART = 2000;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  Builder  $publications  a query on publications of this review
     * @return int how many were taken out
     */
    public function execute(User $by, Review $review, Builder $publications, string $reason): int
    {
        return DB::transaction(function () use ($by, $review, $publications, $reason): int {
            $ids = $this->locked($review, (clone $publications)->whereNull('publications.removed_at'));
            foreach ($ids->chunk(self::PART) as $part) {
                DB::table('publications')
                    ->whereIn('id', $part)
                    ->update(['removed_at' => now(), 'removed_for' => $reason]);
                Item::query()
                    ->where('review_id', $review->id)
                    ->whereIn('publication_id', $part)
                    ->where('state', '<>', ItemState::Folded->value)
                    ->update(['state' => ItemState::Removed]);
                $this->log->each($review->id, $by, 'publication.removed', "Removed from the review: {$reason}", $part);
            }
            $words = "Removed {$ids->count()} publications from the review: {$reason}";
            $about = ['reason' => $reason, 'publications' => $ids->count()];
            ($this->log)($review, $by, 'publications.removed', $words, null, $about);

            return $ids->count();
        });
    }

    /**
     * @param  Builder  $publications  a query on publications of this review
     * @return int how many were brought back
     */
    public function undo(User $by, Review $review, Builder $publications): int
    {
        return DB::transaction(function () use ($by, $review, $publications): int {
            $ids = $this->locked($review, (clone $publications)->whereNotNull('publications.removed_at'));
            foreach ($ids->chunk(self::PART) as $part) {
                DB::table('publications')->whereIn('id', $part)->update(['removed_at' => null, 'removed_for' => '']);
                $items = fn (): Models => self::judgedApart($review, $part)->where('state', ItemState::Removed->value);
                self::makeWait($review, $items());
                ItemBallot::recount(array_values($items()->pluck('id')->all()));
                TitlesFirst::arrive($review, array_values($part->all()));
                $this->log->each($review->id, $by, 'publication.restored', 'Brought back into the review', $part);
            }
            $words = "Brought {$ids->count()} publications back into the review";
            ($this->log)($review, $by, 'publications.restored', $words, null, ['publications' => $ids->count()]);

            return $ids->count();
        });
    }

    /**
     * Full texts follow what is included before.
     *
     * @param  Collection<int, string>  $publications
     * @return Models<Item>
     */
    private static function judgedApart(Review $review, Collection $publications): Models
    {
        return Item::query()
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $publications)
            ->whereIn('stage_id', $review->stages()->where('purpose', '<>', StagePurpose::FullText)->select('id'));
    }

    /**
     * Those that nobody has judged wait again; the others are counted anew.
     *
     * @param  Models<Item>  $items
     */
    private static function makeWait(Review $review, Models $items): void
    {
        $items
            ->whereNotExists(ItemTraces::judged(...))
            ->whereNotExists(ItemTraces::joined(...))
            ->whereIn('stage_id', $review->stages()->whereNull('closed_at')->select('id'))
            ->update(['state' => ItemState::Waiting, 'opened_at' => null]);
    }

    /** @return Collection<int, string> */
    private function locked(Review $review, Builder $publications): Collection
    {
        // nothing is joined or delivered meanwhile
        Locks::recordsOf($review->id);

        return $publications->pluck('publications.id');
    }
}
