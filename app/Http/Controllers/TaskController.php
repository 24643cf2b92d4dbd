<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Records\CancelTask;
use App\Models\Task;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Session;

/** The background work of the person signed in, for the rows that show it live. */
final class TaskController extends Controller
{
    public function index(Request $request): JsonResponse
    {
        // asked behind the page: a notice meant for the next page must not be lost to this answer
        Session::reflash();
        $tasks = Task::query()->where('user_id', $this->me($request)->id)->whereNull('seen_at')->orderBy('id')->limit(10)->get();

        return response()->json(['tasks' => $tasks->map(fn (Task $task): array => [
            'id' => $task->id, 'title' => $task->title, 'state' => $task->state, 'done' => $task->done, 'total' => $task->total, 'message' => $task->message, 'url' => $task->url,
            'left' => $this->secondsLeft($task),
        ])]);
    }

    public function cancel(Request $request, Task $task, CancelTask $cancel): JsonResponse
    {
        $cancel->execute($this->me($request), $task);

        return response()->json(['cancelled' => true]);
    }

    public function seen(Request $request, Task $task): JsonResponse
    {
        Task::query()->whereKey($task->id)->where('user_id', $this->me($request)->id)->update(['seen_at' => now()]);

        return response()->json(['seen' => true]);
    }

    private function secondsLeft(Task $task): ?int
    {
        if ($task->state !== 'running' || $task->started_at === null || $task->total === null || $task->done < 1) {
            return null;
        }

        return (int) ceil($task->started_at->diffInSeconds(now()) / $task->done * max(0, $task->total - $task->done));
    }
}
