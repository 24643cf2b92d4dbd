<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\FullTexts\ReadPictures;
use App\Models\FullText;
use App\Models\Review;
use App\Models\User;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;

/** Has the pictures of scanned pages read for their words, in the background, a page after the other. */
final readonly class StartPictures
{
    public const MOST_PAGES = 300;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @throws Refused If there is nothing to read in it.
     */
    public function execute(User $by, Review $review, FullText $file): void
    {
        DB::transaction(function () use ($by, $review, $file): void {
            $file = $file->locked();
            self::refuse($file);
            $file->update(['state' => 'reading']);
            $task = TaskRun::queue(
                $review,
                $by->id,
                'pictures',
                "Reading the pictures of “{$file->name}”",
                route('full-texts', $review->id, false),
                $file->pages,
            );
            ($this->log)($review, $by, 'full-text.pictures', "Had the pictures of “{$file->name}” read", $file);
            ReadPictures::dispatch($task->id, $file->id)->afterCommit();
        });
    }

    private static function refuse(FullText $file): void
    {
        if ($file->state === 'reading') {
            throw new Refused("“{$file->name}” is being read already.");
        }
        if (! $file->mayReadPictures()) {
            throw new Refused("“{$file->name}” has text, or its pictures were read before.");
        }
        if ((int) $file->pages > self::MOST_PAGES) {
            throw new Refused(
                "“{$file->name}” has more than ".self::MOST_PAGES.' pages. Bring the part that is needed.',
            );
        }
    }
}
