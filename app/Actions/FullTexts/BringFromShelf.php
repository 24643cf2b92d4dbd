<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Files\StoredCopy;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Shelf;
use Illuminate\Support\Facades\DB;

/** Brings what a person has on their shelf into a review. The file itself is kept once, whatever reviews it is in. */
final readonly class BringFromShelf
{
    public function __construct(private AddFullText $add, private WriteLog $log)
    {
    }

    public function execute(User $by, Review $review): BroughtCopies
    {
        $came = 0;
        $refused = [];
        foreach (Shelf::offers($review, $by) as $publication => $file) {
            $of = Publication::query()->where('review_id', $review->id)->findOrFail((string) $publication);
            $copy = FullText::query()->where('user_id', $by->id)->findOrFail($file);
            try {
                $this->bring($by, $review, $of, $copy);
                $came++;
            } catch (Refused $why) {
                $refused[] = $why->getMessage();
            }
        }

        return new BroughtCopies($came, $refused);
    }

    /** @throws Refused If it is here already, or the review may keep no more. */
    private function bring(User $by, Review $review, Publication $of, FullText $copy): void
    {
        DB::transaction(function () use ($by, $review, $of, $copy): void {
            $made = $this->add->execute($by, $review, StoredCopy::path($copy->brought()), $copy->name, $of);
            // words that were read in its pictures need no second reading
            $made->update($copy->only(['read_hash', 'read_bytes', 'pictures_read_at']));
            ($this->log)($review, $by, 'full-text.shelf', "Took “{$made->name}” from their shelf", $made);
        });
    }
}
