<?php

declare(strict_types=1);

namespace App\Jobs\Archive;

use App\Actions\Archive\BringInArchive;
use App\Files\StoredCopy;
use App\Models\BroughtArchive;
use App\Tasks\TaskState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Archive\BadArchive;

/** Brings a review in from the archive that somebody brought, or says why not. */
final class ReadArchive implements ShouldQueue
{
    use Dispatchable, Queueable;

    /** What kills the worker once would kill it again. */
    public int $tries = 1;

    public int $timeout = 1800;

    public function __construct(private readonly string $id)
    {
        $this->onQueue('long')->afterCommit();
    }

    public function handle(BringInArchive $bring): void
    {
        $brought = BroughtArchive::query()->with('user')->find($this->id);
        if ($brought === null || $brought->state !== TaskState::Queued) {
            return;
        }
        $brought->update(['state' => TaskState::Running]);
        try {
            $review = $bring->execute($brought->user, StoredCopy::path($brought->stored), isTrusted: false, told: fn () => null);
            $brought->update(['state' => TaskState::Done, 'brought_id' => $review->id]);
        } catch (BadArchive $bad) {
            $brought->update(['state' => TaskState::Failed, 'problem' => "{$bad->getMessage()} Nothing was brought in."]);
        }
        Storage::delete($brought->stored);
    }

    public function failed(): void
    {
        $brought = BroughtArchive::query()->find($this->id);
        $brought?->update(['state' => TaskState::Failed, 'problem' => 'Stopped by an error of ours. Nothing was brought in.']);
        Storage::delete($brought === null ? [] : [$brought->stored]);
    }
}
