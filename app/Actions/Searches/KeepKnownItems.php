<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Files\In\TextStream;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Cited\CitedList;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** Records known to be relevant: pasted as DOIs, titles, or a file's text. */
final readonly class KeepKnownItems
{
    private const MOST = 500;

    public function __construct(private WriteLog $log)
    {
    }

    /** @return int how many were new */
    public function add(User $by, Review $review, string $pasted): int
    {
        return DB::transaction(function () use ($by, $review, $pasted): int {
            $known = $review->knownItems()->get();
            $dois = array_flip(array_filter($known->pluck('doi')->all()));
            $titles = array_flip($known->map(fn (KnownItem $item): string => mb_strtolower($item->title))->all());
            $added = 0;
            foreach ($this->read($pasted) as $named) {
                [$title, $doi] = [$named->title, $named->doi];
                $isKnown = isset($dois[$doi]) || isset($titles[mb_strtolower($title)]);
                if ($isKnown || count($known) + $added >= self::MOST) {
                    continue;
                }
                $review->knownItems()->create([
                    'title' => mb_substr($title, 0, 2000),
                    'doi' => mb_substr($doi, 0, 250),
                    'year' => $named->year,
                    'added_by' => $by->id,
                    'added_at' => now(),
                ]);
                $dois += $doi === '' ? [] : [$doi => true];
                $titles[mb_strtolower($title)] = true;
                $added++;
            }
            if ($added > 0) {
                ($this->log)($review, $by, 'known.added', "Added {$added} known items", $review);
            }

            return $added;
        });
    }

    /**
     * The title that a database has for what was given by its DOI alone; no act of a person, so the Log is not told.
     */
    public function title(KnownItem $item, string $title): void
    {
        if ($item->title === $item->doi && $title !== '' && $title !== $item->doi) {
            $item->update(['title' => mb_substr($title, 0, 2000)]);
        }
    }

    public function remove(User $by, KnownItem $item): void
    {
        DB::transaction(function () use ($by, $item): void {
            $item->delete();
            ($this->log)(
                $item->review_id,
                $by,
                'known.removed',
                "Took “{$item->title}” off the known items",
                $item,
                $item->only('title', 'doi', 'year'),
            );
        });
    }

    /** @return iterable<NamedWork> of a file's text, or of references as pages name them */
    private function read(string $pasted): iterable
    {
        $format = self::formatOf($pasted);
        foreach ($format === null ? CitedList::works($pasted) : $this->records($format, $pasted) as $one) {
            if ($one->title.$one->doi !== '') {
                yield new NamedWork($one->title !== '' ? $one->title : $one->doi, $one->doi, $one->year);
            }
        }
    }

    /** Null where it is no file's text; lines with commas are none of a table here. */
    private static function formatOf(string $pasted): ?string
    {
        try {
            $format = Formats::recognise(mb_strcut($pasted, 0, 4096));
        } catch (UnusableFile) {
            return null;
        }

        return in_array($format, ['csv', 'printed'], true) ? null : $format;
    }

    /** @return iterable<Reference> */
    private function records(string $format, string $text): iterable
    {
        try {
            foreach (Formats::readers()[$format]->read(TextStream::of($text)) as $one) {
                if ($one instanceof Reference) {
                    yield $one;
                }
            }
        } catch (UnusableFile) {
            return;
        }
    }
}
