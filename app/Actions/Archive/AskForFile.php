<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Actions\Shared\Refused;
use App\Files\MadeKind;
use App\Jobs\Archive\MakeFile;
use App\Models\MadeFile;
use App\Models\Report;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Queries\Shared\Visibility;
use App\Tasks\TaskState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Has a file made in the background, to be taken away when it is done. */
final class AskForFile
{
    private const KEPT_DAYS = 14;

    /** @throws Refused If it cannot be made as things stand, or is being made. */
    public function execute(User $by, Review $review, MadeKind $kind): void
    {
        if ($kind->isOfReport() && Report::of($review)->doesntExist()) {
            throw new Refused('The report has not been begun.');
        }
        if ($kind->isArchive()) {
            $this->refuseWhileBlind($by, $review);
        }
        if ($review->isAtWork($kind->value)) {
            throw new Refused("“{$kind->label()}” is being made just now.");
        }
        $this->forgetOld($review);
        $task = Task::query()->create([
            'review_id' => $review->id,
            'user_id' => $by->id,
            'kind' => $kind->value,
            'title' => $kind->label(),
            'state' => TaskState::Queued,
            'url' => route('report', $review, false).'#made',
        ]);
        MakeFile::dispatch($task->id, $kind);
    }

    /** An archive holds every decision, those too that nobody is to see yet. */
    private function refuseWhileBlind(User $by, Review $review): void
    {
        $blind = self::hiddenFrom($by, $review);
        if ($blind > 0) {
            throw new Refused(
                'An archive holds every decision, and '.number_format($blind).' of them you may not see yet, for their titles '.
                    'are still being judged. Wait until they are, or ask whoever runs this copy: heron archive writes one.',
            );
        }
    }

    /** @return int how many decisions */
    private static function hiddenFrom(User $by, Review $review): int
    {
        return DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->where('decisions.review_id', $review->id)
            ->where('items.review_id', $review->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->tap(fn (Builder $decisions) => Visibility::hiddenDecisions($decisions, $by))
            ->count();
    }

    private function forgetOld(Review $review): void
    {
        $old = MadeFile::query()->where('review_id', $review->id)->where('created_at', '<', now()->subDays(self::KEPT_DAYS))->get();
        Storage::delete($old->pluck('stored')->all());
        MadeFile::query()->where('review_id', $review->id)->whereIn('id', $old->pluck('id'))->delete();
    }
}
