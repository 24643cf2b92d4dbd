<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\WriteLog;
use App\Files\In\PdfText;
use App\Files\StoredCopy;
use App\Jobs\FullTexts\ReadPages;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\FullTexts\Retrievals;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\CopyMatch;
use WaryHeron\Core\FullText\CopyMatcher;
use WaryHeron\Core\FullText\CopyOffer;
use WaryHeron\Core\FullText\RetrievalState;

/**
 * Reads a PDF's text and, where nobody said so, finds out what it is a copy of. Never in a request: PDFs come from
 * anywhere.
 */
final readonly class ReadPdf
{
    public function __construct(private SetRetrieval $retrieval, private WriteLog $log)
    {
    }

    public function execute(string $fullTextId): void
    {
        $file = FullText::query()->with('review', 'user')->find($fullTextId);
        if ($file === null || $file->state !== 'reading') {
            return;
        }
        $read = PdfText::of(StoredCopy::path($file->path()));
        $match = $file->publication_id === null ? $this->match($file->review, $read->text) : null;
        DB::transaction(function () use ($file, $read, $match): void {
            $file = $file->locked('review', 'user');
            if ($file->state !== 'reading') {
                return;
            }
            $file->update(['state' => $read->state, 'pages' => $read->pages, 'text' => $read->text]);
            if ($read->state === 'read') {
                ReadPages::dispatch($file->id);
            }
            if ($match === null || $file->publication_id !== null || $file->taken_out_at !== null) {
                return; // somebody has said meanwhile what it is
            }
            $this->keep($file, $match);
        });
    }

    private function keep(FullText $file, CopyMatch $match): void
    {
        $file->update([
            'publication_id' => $match->publication,
            'matched_by' => $match->by,
            'offers' => array_map(fn (CopyOffer $one): array => get_object_vars($one), $match->offers),
        ]);
        if ($match->publication !== null) {
            $words = "Found by its {$match->by} what “{$file->name}” is a copy of";
            $about = ['publication' => $match->publication];
            ($this->log)($file->review_id, null, 'full-text.matched', $words, $file, $about);
            $copied = [$match->publication];
            $this->retrieval->execute($file->user, $file->review, $copied, RetrievalState::Obtained, '', now());
        }
    }

    private function match(Review $review, string $text): CopyMatch
    {
        $match = (new CopyMatcher(Retrievals::candidates($review)))->match($text);
        if ($match->publication !== null || ($dois = CopyMatcher::dois(explode("\f", $text, 2)[0])) === []) {
            return $match;
        }
        // a publication of the review whose text is not sought is offered, not taken
        $offered = array_map(fn (CopyOffer $one): string => $one->publication, $match->offers);
        $others = self::notSought($review, $dois, $offered);
        if ($others === []) {
            return $match;
        }
        $because = 'Its DOI stands on the first page, but its text is not sought.';
        $sure = array_filter($match->offers, fn (CopyOffer $one): bool => $one->confidence !== 'check');

        return new CopyMatch(null, '', [
            ...array_values(array_map(fn (string $id): CopyOffer => new CopyOffer($id, 'check', $because), $others)),
            ...array_values($sure),
        ]);
    }

    /**
     * @param  list<string>  $dois
     * @param  list<string>  $offered  already
     * @return array<string> publications of the review whose text is not sought
     */
    private static function notSought(Review $review, array $dois, array $offered): array
    {
        return Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('doi', $dois)
            ->whereNull('merged_into')
            ->whereNotIn('id', $offered)
            ->limit(2)
            ->pluck('id')
            ->all();
    }
}
