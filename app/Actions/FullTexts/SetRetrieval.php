<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Screening\ItemBallot;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Item;
use App\Models\Retrieval;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Screening\ItemTraces;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;

/**
 * Says how far the getting of texts has come. What is at hand can be judged; what is given up leaves, and is reported
 * as not retrieved.
 */
final readonly class SetRetrieval
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<string>  $publications
     *
     * @throws Refused If a reason is missing, or what was judged in full is said not to be there.
     */
    public function execute(
        ?User $by,
        Review $review,
        array $publications,
        RetrievalState $state,
        string $reason,
        CarbonInterface $dated,
    ): void {
        if ($state->needsReason() && $reason === '') {
            throw new Refused('Say why it cannot be retrieved; the report tells it.');
        }
        DB::transaction(function () use ($by, $review, $publications, $state, $reason, $dated): void {
            $stage = Retrievals::stage($review)
                ?? throw new Refused('This review has no stage at which full texts are read. Add one under Screening, Stages.');
            $items = fn (): Builder => self::items($stage, $publications);
            if ($state !== RetrievalState::Obtained) {
                self::refuseJudged($items(), count($publications) > 1);
            }
            foreach (array_chunk($publications, 2000) as $part) {
                self::keep($by, $review, $part, $state, $reason, $dated);
            }
            if ($state === RetrievalState::Obtained && $stage->closed_at === null) {
                self::makeWait($items());
            }
            $counted = [
                ItemState::Removed,
                $state === RetrievalState::Obtained ? ItemState::Awaited : ItemState::Waiting,
                ...$state->needsReason() ? [ItemState::Awaited] : [],
            ];
            ItemBallot::recount(array_values($items()->whereIn('state', $counted)->pluck('id')->all()));
            $this->tell($by, $review, $publications, $state->label().($reason === '' ? '' : ": {$reason}"));
        });
    }

    /**
     * @param  list<string>  $publications
     * @return Builder<Item>
     */
    private static function items(Stage $stage, array $publications): Builder
    {
        return Item::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->whereIn('publication_id', $publications)
            ->whereNot('state', ItemState::Folded);
    }

    /** @param  Builder<Item>  $items */
    private static function refuseJudged(Builder $items, bool $areMany): void
    {
        $opened = $items->whereNotNull('opened_at')->whereNot('state', ItemState::Removed)->count();
        if ($opened === 0) {
            return;
        }
        $have = $opened === 1 ? 'One of these has' : "{$opened} of these have";
        $them = $opened === 1 ? 'it' : 'them';
        $kept = $areMany ? " Nothing was changed; leave {$them} out, or narrow the list down to what is sought." : '';
        throw new Refused(
            "{$have} been judged in full by everybody asked, so the text was at hand. It stays obtained.{$kept}",
        );
    }

    /** @param  list<string>  $publications */
    private static function keep(
        ?User $by,
        Review $review,
        array $publications,
        RetrievalState $state,
        string $reason,
        CarbonInterface $dated,
    ): void {
        $rows = array_map(
            fn (string $id): array => [
                'id' => strtolower((string) Str::ulid()),
                'review_id' => $review->id,
                'publication_id' => $id,
                'state' => $state->value,
                'reason' => $reason,
                'dated' => $dated->format('Y-m-d'),
                'user_id' => $by?->id,
            ],
            $publications,
        );
        $changed = ['state', 'reason', 'dated', 'user_id', 'updated_at'];
        Retrieval::query()->upsert($rows, ['review_id', 'publication_id'], $changed);
    }

    /**
     * What nobody has judged only waits from now on; the rest is counted anew.
     *
     * @param  Builder<Item>  $items
     */
    private static function makeWait(Builder $items): void
    {
        $items
            ->where('state', ItemState::Awaited)
            ->whereNotExists(ItemTraces::judged(...))
            ->update(['state' => ItemState::Waiting]);
    }

    /** @param  list<string>  $publications */
    private function tell(?User $by, Review $review, array $publications, string $how): void
    {
        $n = count($publications);
        $this->log->each($review->id, $by, 'retrieval.set', "Full text {$how}", $publications);
        $of = $n === 1 ? 'one publication' : number_format($n).' publications';
        ($this->log)($review, $by, 'retrievals.set', "Full text of {$of} {$how}");
    }
}
