<?php

declare(strict_types=1);

namespace App\Console\Archive;

use App\Actions\Archive\WriteArchive;
use App\Models\Review;
use Illuminate\Console\Command;

/** The archive of a review, for whoever runs this copy. */
final class WriteArchiveFile extends Command
{
    protected $signature = 'heron:archive {review : its id} {file : where to write it} {--without-full-texts}';

    protected $description = 'Write a whole review as one file of open formats';

    public function handle(WriteArchive $write): int
    {
        $id = $this->argument('review');
        $file = $this->argument('file');
        $review = is_string($id) ? Review::query()->find($id) : null;
        if ($review === null || ! is_string($file)) {
            $this->error('There is no such review.');

            return 2;
        }
        $manifest = $write->execute(
            null,
            $review,
            $file,
            $this->option('without-full-texts') !== true,
            fn (int $done, int $total) => $this->output->isVerbose() ? $this->line("{$done} of {$total}") : null,
        );
        $this->info("Wrote “{$review->title}”: ".count($manifest->files).' files.');

        return self::SUCCESS;
    }
}
