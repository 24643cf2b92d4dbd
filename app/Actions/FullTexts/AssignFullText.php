<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\FullText;
use App\Models\Item;
use App\Models\Publication;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\RetrievalState;

/** Says what a PDF is a copy of, or that it is not a copy of what it was taken for. */
final readonly class AssignFullText
{
    public function __construct(private SetRetrieval $retrieval, private WriteLog $log)
    {
    }

    public function execute(User $by, FullText $file, Publication $publication): void
    {
        DB::transaction(function () use ($by, $file, $publication): void {
            $file = $this->locked($file);
            if ($file->publication_id !== null) {
                throw new Refused('Somebody has assigned this file in the meantime.');
            }
            $file->update(['publication_id' => $publication->id, 'matched_by' => 'person']);
            $words = "Said that “{$file->name}” is a copy of “{$publication->title}”";
            ($this->log)($file->review_id, $by, 'full-text.assigned', $words, $publication, ['file' => $file->id]);
            $this->set($by, $publication, RetrievalState::Obtained);
        });
    }

    /**
     * The file waits to be assigned again, and the text is sought again unless another copy is here or it has been
     * judged.
     */
    public function takeOff(User $by, FullText $file): void
    {
        DB::transaction(function () use ($by, $file): void {
            $file = $this->locked($file);
            $publication = $file->publication;
            if ($publication === null) {
                return;
            }
            $file->update(['publication_id' => null, 'matched_by' => '', 'offers' => []]);
            $words = "Said that “{$file->name}” is not a copy of “{$publication->title}”";
            ($this->log)($file->review_id, $by, 'full-text.taken-off', $words, $publication, ['file' => $file->id]);
            if (! self::hasCopy($publication) && ! self::isJudged($publication)) {
                $this->set($by, $publication, RetrievalState::Sought);
            }
        });
    }

    private static function hasCopy(Publication $publication): bool
    {
        return isset(Retrievals::copies($publication->review, [$publication->id])[$publication->id]);
    }

    private static function isJudged(Publication $publication): bool
    {
        return Item::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->where('stage_id', Retrievals::stage($publication->review)->id ?? '')
            ->whereNotNull('opened_at')
            ->exists();
    }

    private function set(User $by, Publication $publication, RetrievalState $state): void
    {
        $this->retrieval->execute($by, $publication->review, [$publication->id], $state, '', now());
    }

    /** Takes a file that is a copy of nothing here out of the list. */
    public function takeOut(User $by, FullText $file): void
    {
        DB::transaction(function () use ($by, $file): void {
            $file = $this->locked($file);
            if ($file->publication_id !== null) {
                throw new Refused('This file is assigned. Take it off its publication first.');
            }
            $file->update(['taken_out_at' => now()]);
            ($this->log)($file->review_id, $by, 'full-text.taken-out', "Took the PDF “{$file->name}” out", $file);
        });
    }

    private function locked(FullText $file): FullText
    {
        return FullText::query()
            ->with('publication.review')
            ->lockForUpdate()
            ->whereNull('taken_out_at')
            ->find($file->id) ?? throw new Refused('This file was removed.');
    }
}
