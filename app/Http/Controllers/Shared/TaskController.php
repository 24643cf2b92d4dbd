<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shared;

use App\Actions\Shared\CancelTask;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Task;
use App\Tasks\TaskState;
use App\Tasks\Waits;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Session;

/** The background work of the person signed in, for the rows that show it live. */
final class TaskController extends Controller
{
    private const LIVE = 10;

    private const OVER = 100;

    /** What ended longer ago is no news. */
    private const HOURS = 24;

    /** Of one review, or of all of one's reviews where none is open; newest first, what goes on before what is over. */
    public function index(Request $request): JsonResponse
    {
        // asked behind the page: a notice meant for the next page must not be lost to this answer
        Session::reflash();
        $review = Input::text($request, 'review');
        $mine = $this->mine($request, $review);
        $live = (clone $mine)->whereIn('state', TaskState::underWay())->limit(self::LIVE)->get();
        /** @var Collection<int, Task> $over */
        $over = (clone $mine)
            ->whereNotIn('state', TaskState::underWay())
            ->where('updated_at', '>', now()->subHours(self::HOURS))
            ->limit(self::OVER)
            ->get();

        $shown = fn (Task $task): object => $this->shown($task, $review === '' ? $task->review->title : '');

        return response()->json(['tasks' => [...$live->map($shown), ...$over->map($shown)]]);
    }

    /** @return Builder<Task> of one review, or of all where none is named */
    private function mine(Request $request, string $review): Builder
    {
        return Task::query()
            ->with('review:id,title')
            ->where('user_id', $this->me($request)->id)
            ->whereNull('seen_at')
            ->when($review !== '', fn ($of) => $of->where('review_id', $review))
            ->orderByDesc('id');
    }

    private function message(Task $task): string
    {
        return $task->state === TaskState::Queued && $task->message === '' ? Waits::words($task) : $task->message;
    }

    /** @param  string  $review  its title, where tasks of several stand together */
    private function shown(Task $task, string $review): object
    {
        return (object) [
            'id' => $task->id,
            'title' => $task->title,
            'kind' => $task->kind,
            'state' => $task->state,
            'done' => $task->done,
            'total' => $task->total,
            'message' => $this->message($task),
            'url' => $task->url,
            'left' => $this->secondsLeft($task),
            'review' => $review,
        ];
    }

    public function cancel(Request $request, Task $task, CancelTask $cancel): JsonResponse
    {
        $cancel->execute($this->me($request), $task);

        return response()->json(['cancelled' => true]);
    }

    /** Puts what is over away: these. What goes on stays in sight. */
    public function seen(Request $request): JsonResponse
    {
        $given = $request->validate(['tasks' => ['required', 'array', 'max:200'], 'tasks.*' => ['string', 'size:26']]);
        Task::query()
            ->whereIn('id', $given['tasks'])
            ->where('user_id', $this->me($request)->id)
            ->whereNotIn('state', TaskState::underWay())
            ->update(['seen_at' => now()]);

        return response()->json(['seen' => true]);
    }

    private function secondsLeft(Task $task): ?int
    {
        if ($task->state !== TaskState::Running || $task->started_at === null || $task->total === null || $task->done < 1) {
            return null;
        }

        return (int) ceil(($task->started_at->diffInSeconds(now()) / $task->done) * max(0, $task->total - $task->done));
    }
}
