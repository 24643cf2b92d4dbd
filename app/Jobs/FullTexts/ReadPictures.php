<?php

declare(strict_types=1);

namespace App\Jobs\FullTexts;

use App\Actions\FullTexts\KeepPictures;
use App\Files\In\PagePictures;
use App\Files\StoredCopy;
use App\Files\TemporaryFolder;
use App\Models\FullText;
use App\Models\Task;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Reads the pictures of a file's pages, some at a time. Killed at any moment, it goes on with the page it was at. */
final class ReadPictures implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 8.0;

    public int $tries = 20;

    public int $backoff = 2;

    public function __construct(
        public readonly string $taskId,
        public readonly string $fullTextId,
        public readonly int $page = 1,
    ) {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(KeepPictures $keep): void
    {
        $file = FullText::query()->find($this->fullTextId);
        try {
            $task = TaskRun::begin($this->taskId, "page {$this->page}");
        } catch (DiedTwice) {
            $this->failed();

            return;
        }
        if ($task === null || $file === null) {
            $file === null || $keep->giveUp($file);

            return;
        }
        $next = $this->read($file, $task);
        if (! TaskRun::isWanted($this->taskId)) {
            $keep->giveUp($file);
            TaskRun::end($this->taskId, TaskState::Cancelled, 'Cancelled. The file is as it was.');
        } elseif ($next <= (int) $file->pages) {
            TaskRun::layDown($this->taskId);
            self::dispatch($this->taskId, $this->fullTextId, $next);
        } else {
            $words = $keep->execute($file);
            TaskRun::end(
                $this->taskId,
                TaskState::Done,
                $words ? 'Its words can be searched and marked now.' : 'No words were found in its pictures.',
            );
        }
    }

    public function failed(): void
    {
        $file = FullText::query()->find($this->fullTextId);
        $file === null || (new KeepPictures())->giveUp($file);
        TaskRun::fail($this->taskId, 'Its pictures could not be read. The file is as it was.');
    }

    /** @return int the page at which to go on */
    private function read(FullText $file, Task $task): int
    {
        $deadline = microtime(true) + self::SECONDS;
        $folder = TemporaryFolder::make();
        try {
            $from = StoredCopy::path($this->page === 1 ? $file->brought() : KeepPictures::underWay($file));
            for ($page = $this->page; $page <= (int) $file->pages; $page++) {
                if ($page > $this->page && $this->isTimeUp($deadline)) {
                    break;
                }
                $into = "{$folder}/{$page}.pdf";
                // one that cannot be read is left as it is
                $from = PagePictures::read($from, $into, $page) ? $into : $from;
                $task->update(['done' => $page]);
            }
            StoredCopy::keep($from, KeepPictures::underWay($file));

            return $page;
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    private function isTimeUp(float $deadline): bool
    {
        return microtime(true) > $deadline || ! TaskRun::isWanted($this->taskId);
    }
}
