<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\FullText;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Says that one copy of a publication is better than another, or no longer. Both are kept, and all evidence as given. */
final readonly class ReplaceCopy
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If they are not two copies of one publication, or the better one has no text yet. */
    public function execute(User $by, FullText $older, FullText $better): void
    {
        DB::transaction(function () use ($by, $older, $better): void {
            self::refuseOthers($older, $better);
            FullText::query()->whereKey($older->id)->update(['replaced_by' => $better->id]);
            $words = "Said that “{$better->name}” is a better copy than “{$older->name}”";
            ($this->log)($older->review_id, $by, 'full-text.replaced', $words, $better, ['older' => $older->id]);
        });
    }

    private static function refuseOthers(FullText $older, FullText $better): void
    {
        $copies = self::lockedCopies($older, $better);
        if ($copies->count() !== 2 || $copies->unique('publication_id')->count() !== 1) {
            throw new Refused('These are not two copies of one publication.');
        }
        if ($copies->firstOrFail('id', $better->id)->replaced_by !== null) {
            throw new Refused("“{$better->name}” has itself been replaced by a better copy.");
        }
        if ($better->state !== 'read' || ! DB::table('paper_pages')->where('full_text_id', $better->id)->exists()) {
            throw new Refused(
                "The words of “{$better->name}” are not read yet, so nothing can be found again in it.",
            );
        }
    }

    /** @return Collection<int, FullText> those that are still copies of something */
    private static function lockedCopies(FullText $older, FullText $better): Collection
    {
        return FullText::query()
            ->where('review_id', $older->review_id)
            ->whereKey([$older->id, $better->id])
            ->whereNull('taken_out_at')
            ->whereNotNull('publication_id')
            ->lockForUpdate()
            ->get();
    }

    public function undo(User $by, FullText $older): void
    {
        DB::transaction(function () use ($by, $older): void {
            FullText::query()->whereKey($older->id)->update(['replaced_by' => null]);
            ($this->log)($older->review_id, $by, 'full-text.replaced', "Uses the copy “{$older->name}” again", $older);
        });
    }
}
