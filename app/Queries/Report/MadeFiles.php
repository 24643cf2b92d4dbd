<?php

declare(strict_types=1);

namespace App\Queries\Report;

use App\Files\MadeKind;
use App\Models\MadeFile;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Gate;

/** Files that were made to be taken away, as far as somebody may take them, and whether more are under way. */
final readonly class MadeFiles
{
    /** @param  Collection<int, MadeFile>  $files  the newest first */
    private function __construct(public Collection $files, public bool $isUnderWay)
    {
    }

    public static function of(Review $review, User $reader): self
    {
        $query = MadeFile::query()->with('user')->where('review_id', $review->id)->orderByDesc('id');
        $query->where(fn (Builder $any) => $any->where('kind', '<>', MadeKind::Supplements)->orWhere('user_id', $reader->id));
        if (Gate::forUser($reader)->denies('close', $review)) {
            $query->whereNotIn('kind', [MadeKind::Archive, MadeKind::BareArchive]);
        }

        return new self(
            $query->get(),
            Task::query()
                ->where('review_id', $review->id)
                ->whereIn('kind', array_column(MadeKind::cases(), 'value'))
                ->whereIn('state', TaskState::underWay())
                ->exists(),
        );
    }
}
