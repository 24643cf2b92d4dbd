<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Screening\ItemBallot;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Item;
use App\Models\Retrieval;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use Carbon\CarbonInterface;
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
            $stage =
                Retrievals::stage($review) ??
                throw new Refused(
                    'This review has no stage at which full texts are read. Add one under Screening, Stages.',
                );
            $items = fn () => Item::query()
                ->where('review_id', $review->id)
                ->where('stage_id', $stage->id)
                ->whereIn('publication_id', $publications)
                ->whereNot('state', ItemState::Folded);
            $opened =
                $state === RetrievalState::Obtained
                    ? 0
                    : $items()->whereNotNull('opened_at')->whereNot('state', ItemState::Removed)->count();
            if ($opened > 0) {
                throw new Refused(
                    ($opened === 1 ? 'One of these has' : "{$opened} of these have").
                        ' been judged in full by everybody asked, so the text was at hand. It stays obtained.'.
                        (count($publications) > 1
                            ? ' Nothing was changed; leave '.
                                ($opened === 1 ? 'it' : 'them').
                                ' out, or narrow the list down to what is sought.'
                            : ''),
                );
            }
            foreach (array_chunk($publications, 2000) as $part) {
                Retrieval::query()->upsert(
                    array_map(
                        fn (string $id): array => [
                            'id' => strtolower((string) Str::ulid()),
                            'review_id' => $review->id,
                            'publication_id' => $id,
                            'state' => $state->value,
                            'reason' => $reason,
                            'dated' => $dated->format('Y-m-d'),
                            'user_id' => $by?->id,
                        ],
                        $part,
                    ),
                    ['review_id', 'publication_id'],
                    ['state', 'reason', 'dated', 'user_id', 'updated_at'],
                );
            }
            if ($state === RetrievalState::Obtained && $stage->closed_at === null) {
                // what nobody has judged only waits from now on; the rest is counted anew
                $items()
                    ->where('state', ItemState::Awaited)
                    ->whereNotExists(
                        fn ($d) => $d
                            ->selectRaw('1')
                            ->from('decisions')
                            ->whereColumn('decisions.review_id', 'items.review_id')
                            ->whereColumn('decisions.item_id', 'items.id'),
                    )
                    ->update(['state' => ItemState::Waiting]);
            }
            ItemBallot::recount(
                array_values(
                    $items()
                        ->whereIn('state', [
                            ItemState::Removed,
                            $state === RetrievalState::Obtained ? ItemState::Awaited : ItemState::Waiting,
                            ...$state->needsReason() ? [ItemState::Awaited] : [],
                        ])
                        ->pluck('id')
                        ->all(),
                ),
            );
            $this->log->each(
                $review->id,
                $by,
                'retrieval.set',
                "Full text {$state->label()}".($reason === '' ? '' : ": {$reason}"),
                $publications,
            );
            ($this->log)(
                $review,
                $by,
                'retrievals.set',
                'Full text of '.
                    (count($publications) === 1
                        ? 'one publication'
                        : number_format(count($publications)).' publications').
                    " {$state->label()}".
                    ($reason === '' ? '' : ": {$reason}"),
            );
        });
    }
}
