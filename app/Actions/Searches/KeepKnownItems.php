<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
use App\Files\In\TextStream;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Doi;
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
            foreach ($this->read($pasted) as [$title, $doi, $year]) {
                if (
                    ($doi !== '' && isset($dois[$doi])) ||
                    ($title !== '' && isset($titles[mb_strtolower($title)])) ||
                    count($known) + $added >= self::MOST
                ) {
                    continue;
                }
                $review
                    ->knownItems()
                    ->create([
                        'title' => mb_substr($title, 0, 2000),
                        'doi' => mb_substr($doi, 0, 250),
                        'year' => $year,
                        'added_by' => $by->id,
                        'added_at' => now(),
                    ]);
                $doi === '' || ($dois[$doi] = true);
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

    /** @return iterable<array{string, string, ?int}> title, DOI and year */
    private function read(string $pasted): iterable
    {
        if (preg_match('/^TY  ?- /m', $pasted) === 1) {
            try {
                foreach (Formats::readers()['ris']->read(TextStream::of($pasted)) as $one) {
                    if ($one instanceof Reference && $one->title.$one->doi !== '') {
                        yield [$one->title !== '' ? $one->title : $one->doi, $one->doi, $one->year];
                    }
                }
            } catch (UnusableFile) {
                return;
            }

            return;
        }
        foreach (preg_split('/\R/u', mb_scrub($pasted)) ?: [] as $line) {
            $line = trim($line);
            $doi =
                preg_match('~10\.\d{4,9}/\S+~', $line, $match) === 1
                    ? Doi::normalised(rtrim($match[0], '.,;')) ?? ''
                    : '';
            $title = trim((string) preg_replace('~(?:https?://\S*|doi:?\s*)?10\.\d{4,9}/\S+~i', '', $line), " \t.,;");
            if ($doi !== '' || mb_strlen($title) > 10) {
                yield [$title !== '' ? $title : $doi, $doi, null];
            }
        }
    }
}
