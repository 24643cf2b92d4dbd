<?php

declare(strict_types=1);

namespace App\Console\Archive;

use App\Actions\Archive\DeleteReview;
use App\Models\Review;
use Illuminate\Console\Command;
use WaryHeron\Core\Archive\BadArchive;

/** Deletes a review of which there is an archive. Run by the owner of the database. */
final class DeleteReviewForGood extends Command
{
    protected $signature = 'heron:delete {review : its id} {archive : the file that holds all of it}';

    protected $description = 'Delete a review for good, after its archive';

    public function handle(DeleteReview $delete): int
    {
        $id = $this->argument('review');
        $archive = $this->argument('archive');
        $review = is_string($id) ? Review::query()->find($id) : null;
        if ($review === null || ! is_string($archive) || ! is_readable($archive)) {
            $this->error('There is no such review, or no such file.');

            return 2;
        }
        try {
            $delete->execute($review, $archive);
        } catch (BadArchive $bad) {
            $this->error("Nothing was deleted: the archive does not hold the review. {$bad->getMessage()}");

            return self::FAILURE;
        }
        $this->info("Deleted “{$review->title}”. Its archive is all there is of it now.");

        return self::SUCCESS;
    }
}
