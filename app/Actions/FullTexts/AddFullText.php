<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Files\In\FileName;
use App\Files\Store;
use App\Files\StoredCopy;
use App\Jobs\FullTexts\ReadFullText;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\FullText\RetrievalState;

/**
 * Takes a PDF in; its text is read in the background, and what it is a copy of found out there where nobody says so.
 */
final readonly class AddFullText
{
    public const LARGEST = 100 * 1024 * 1024;

    public function __construct(private SetRetrieval $retrieval, private WriteLog $log)
    {
    }

    /**
     * @param  string  $path  where it lies on this machine
     * @param  ?Publication  $of  null where it is to be found out
     *
     * @throws Refused If it is no PDF, is here already, or is more than the review may keep.
     */
    public function execute(
        User $by,
        Review $review,
        string $path,
        string $name,
        ?Publication $of = null,
        string $origin = 'person',
    ): FullText {
        $name = FileName::of($name, 'unnamed.pdf');
        $bytes = (int) filesize($path);
        self::refuseOther($path, $name, $bytes);
        $hash = (string) hash_file('sha256', $path);
        $this->refuseTwice($review, $hash, $name, $of);
        Store::refuseBeyond($review, $bytes, $name);
        self::keep($path, FullText::pathOf($hash), $bytes);

        return DB::transaction(function () use ($by, $review, $name, $bytes, $hash, $of, $origin): FullText {
            Locks::fullTextsOf($review->id);
            $this->refuseTwice($review, $hash, $name, $of);
            $made = FullText::query()->create([
                'review_id' => $review->id,
                'publication_id' => $of?->id,
                'hash' => $hash,
                'name' => $name,
                'bytes' => $bytes,
                'origin' => $origin,
                'state' => 'reading',
                'matched_by' => $of === null ? '' : ($origin === 'locker' ? 'doi' : 'person'),
                'user_id' => $by->id,
            ]);
            $this->tellOf($made, $by, $review);
            ReadFullText::dispatch($made->id);

            return $made;
        });
    }

    private static function refuseOther(string $path, string $name, int $bytes): void
    {
        if (! str_contains((string) file_get_contents($path, length: 1024), '%PDF-')) {
            throw new Refused("“{$name}” is not a PDF. Nothing was kept of it.");
        }
        if ($bytes > self::LARGEST) {
            throw new Refused("“{$name}” is larger than 100 MB. Nothing was kept of it.");
        }
    }

    private function tellOf(FullText $made, User $by, Review $review): void
    {
        $about = ['hash' => $made->hash, 'matched_by' => $made->matched_by];
        ($this->log)($review, $by, 'full-text.added', "Brought the PDF “{$made->name}”", $made, $about);
        if ($made->publication_id !== null) {
            $from = $made->origin === 'locker' ? 'from the full-text locker' : '';
            $this->retrieval->execute($by, $review, [$made->publication_id], RetrievalState::Obtained, $from, now());
        }
    }

    /** What is there already is the same, and may be the very file that is read. */
    private static function keep(string $path, string $stored, int $bytes): void
    {
        if (! Storage::exists($stored) || Storage::size($stored) !== $bytes) {
            StoredCopy::keep($path, $stored);
        }
    }

    private function refuseTwice(Review $review, string $hash, string $name, ?Publication $of): void
    {
        $there = FullText::query()
            ->with('publication')
            ->where('review_id', $review->id)
            ->where('hash', $hash)
            ->whereNull('taken_out_at')
            ->get();
        $same =
            $of === null
                ? $there->first()
                : $there->first(
                    fn (FullText $one): bool => $one->publication_id === null || $one->publication_id === $of->id,
                );
        if ($same !== null) {
            throw new Refused(
                "“{$name}” is here already, ".
                    ($same->publication === null
                        ? 'waiting to be assigned.'
                        : "as a copy of “{$same->publication->title}”."),
            );
        }
    }
}
