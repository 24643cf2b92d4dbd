<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\FullTexts\FetchFullTexts;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;

/** Has the full-text locker asked for copies, in the background. */
final readonly class AskLocker
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?list<string>  $publications  null for all that are sought or requested
     *
     * @throws Refused If there is nothing to ask for, or it is being asked already.
     */
    public function execute(User $by, Review $review, ?array $publications = null): Task
    {
        return DB::transaction(function () use ($by, $review, $publications): Task {
            TaskRun::refuseTwice($review, 'locker', 'The locker is being asked already.');
            $wanted = self::wanted($review, $publications);
            $copies = count($wanted) === 1 ? 'a copy' : number_format(count($wanted)).' copies';
            $task = TaskRun::queue(
                $review,
                $by->id,
                'locker',
                "Asking the full-text locker for {$copies}",
                route('full-texts', $review, false),
                count($wanted),
            );
            $words = 'Asked the full-text locker for '.number_format(count($wanted)).' texts';
            ($this->log)($review, $by, 'locker.asked', $words, $task);
            dispatch(new FetchFullTexts($task->id, $wanted));

            return $task;
        });
    }

    /**
     * @param  ?list<string>  $publications  or all
     * @return non-empty-list<string> those that have a DOI and are still sought
     */
    private static function wanted(Review $review, ?array $publications): array
    {
        $wanted = Retrievals::sought($review)
            ->where('publications.doi', '<>', '')
            ->whereRaw("coalesce(retrievals.state, 'sought') IN ('sought', 'requested')")
            ->when($publications !== null, fn ($query) => $query->whereIn('publications.id', $publications))
            ->pluck('publications.id')
            ->all();
        if ($wanted === []) {
            throw new Refused('None of these has a DOI and is still sought.');
        }

        return array_values($wanted);
    }
}
