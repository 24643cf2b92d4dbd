<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\FullTexts\AskLocker;
use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Screening\RecordDecision;
use App\Jobs\FullTexts\FetchFullTexts;
use App\Jobs\FullTexts\ReadFullText;
use App\Jobs\FullTexts\ReadPages;
use App\Models\Criterion;
use App\Models\FullText;
use App\Models\Item;
use App\Models\Publication;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Verdict;

/** How full texts were sought and judged: the locker asked, copies brought, others chased. */
final class DemoFullTexts extends DemoPart
{
    private const FULL_TEXTS = 60;

    public function __construct(
        private readonly RecordDecision $decide,
        private readonly AskLocker $locker,
        private readonly SetRetrieval $retrieval,
        private readonly DemoCopies $copies,
    ) {
    }

    /**
     * The locker is asked for some forty texts and has a copy of fewer than half; those are read, and the others
     * chased.
     */
    public function readInFull(CarbonImmutable $from): void
    {
        $this->review->unsetRelation('stages');
        $full = $this->review->lastStage();
        $this->at($from->setTime(9, 10));
        $included = Publication::query()
            ->where('review_id', $this->review->id)
            ->where('doi', '<>', '')
            ->where('abstract', '<>', '')
            ->whereHas('items', fn ($item) => $item->where('stage_id', $full->id)->where('state', ItemState::Awaited))
            ->orderBy('id')
            ->get();
        [$telling, $others] = $included->partition(
            fn (Publication $one): bool => count(ReadOff::of($one)) === ReadOff::ITEMS,
        );
        $wanted = array_values($telling->concat($others)->take(self::FULL_TEXTS)->pluck('id')->all());
        $task = $this->locker->execute($this->people['mirela'], $this->review, $wanted);
        while ($task->refresh()->state->isUnderWay()) {
            app(Dispatcher::class)->dispatchNow(new FetchFullTexts($task->id, $wanted));
        }
        $refused = array_values(
            DB::table('retrievals')
                ->where('review_id', $this->review->id)
                ->where('state', RetrievalState::Sought)
                ->orderBy('id')
                ->pluck('publication_id')
                ->all(),
        );
        $this->at($from->setTime(11, 30));
        foreach (
            [
                [array_slice($refused, 0, 3), RetrievalState::Requested, 'from the author'],
                [array_slice($refused, 3, 2), RetrievalState::Requested, 'through the library'],
                [array_slice($refused, 5, 2), RetrievalState::NotRetrievable, 'no copy in any library'],
                [array_slice($refused, 7, 1), RetrievalState::NotRetrievable, 'author did not answer'],
                [array_slice($refused, 10, 20), RetrievalState::Obtained, 'a printed copy'],
            ] as [$some, $state, $reason]
        ) {
            $this->retrieval->execute($this->people['mirela'], $this->review, $some, $state, $reason, now());
        }
        $this->copies->make($this->people['mirela'], $this->review);
        $this->readCopies();
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $here = Item::query()
            ->where('stage_id', $full->id)
            ->where('state', ItemState::Waiting)
            ->orderBy('position')
            ->get();
        foreach ($here as $i => $item) {
            $left = $here->count() - $i;
            foreach (['karin', 'tunde'] as $who) {
                // the last few wait: one for both, one for Tunde
                if ($left === 1 || ($left === 2 && $who === 'tunde')) {
                    continue;
                }
                $this->at($from->setTime(13, 0)->addMinutes($i * 9 + ($who === 'tunde' ? 4 : 0)));
                [$verdict, $failed, $note] = match (true) {
                    $left === 3 && $who === 'karin', $left === 4 => [
                        Verdict::Exclude,
                        2,
                        'The wards are compared with themselves only in the abstract.',
                    ],
                    default => [Verdict::Include, null, ''],
                };
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                );
            }
        }
        $this->review->unsetRelation('stages');
    }

    /** What came is read here and now: leads are sought in it before anything works in the background. */
    private function readCopies(): void
    {
        $waiting = FullText::query()->where('review_id', $this->review->id)->where('state', 'reading')->orderBy('id');
        foreach ($waiting->pluck('id') as $copy) {
            app(Dispatcher::class)->dispatchNow(new ReadFullText($copy));
            app(Dispatcher::class)->dispatchNow(new ReadPages($copy));
        }
    }
}
