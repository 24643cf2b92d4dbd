<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Library\PublicationFromRecords;
use App\Actions\Screening\TitlesFirst;
use App\Database\Copy;
use App\Database\Locks;
use App\Models\Delivery;
use App\Models\Publication;
use App\Models\Stage;
use App\Queries\Library\ReviewWords;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\KeptValues;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\ExactKeys;

/**
 * Takes a batch of a delivery in, whole or not at all: records are kept, what is here beyond doubt joins its
 * publication, what could not be read is noted. The delivery's position moves in the same transaction, so that a
 * batch is never taken in twice.
 */
final class TakeInRecords
{
    private const REJECTION = ['id', 'review_id', 'delivery_id', 'position', 'line', 'message', 'text'];

    private const RECORD = [
        'id',
        'review_id',
        'delivery_id',
        'publication_id',
        'position',
        'line',
        'doi_key',
        'work_key',
        'reference',
        'source',
        'created_at',
    ];

    /** What a publication shows, by column. */
    private const VALUES = [
        'title',
        'authors',
        'first_author',
        'year',
        'journal',
        'place',
        'doi',
        'abstract',
        'type',
        'language',
        'sort_title',
        'words',
    ];

    private const PUBLICATION = ['id', 'review_id', 'records_count', 'created_at', 'updated_at', ...self::VALUES];

    private const ITEM = ['id', 'review_id', 'publication_id', 'stage_id', 'created_at', 'updated_at'];

    /** So many words are remembered as listed; beyond, they are listed again, which does no harm. */
    private const REMEMBERED = 300_000;

    /** @var array<string|int, true> */
    private array $listed = [];

    private string $listedFor = '';

    public function __construct(private readonly PublicationFromRecords $values)
    {
    }

    /**
     * @param  list<Reference|UnreadableRecord>  $batch  what follows the delivery's position $after
     * @param  int  $passedOver  how many were read besides and are not wanted
     * @return Delivery as it stands afterwards
     */
    public function execute(string $deliveryId, int $after, array $batch, int $passedOver = 0): Delivery
    {
        return DB::transaction(function () use ($deliveryId, $after, $batch, $passedOver): Delivery {
            $delivery = Delivery::query()->lockForUpdate()->findOrFail($deliveryId);
            if ($delivery->position !== $after) {
                return $delivery; // somebody else has taken this batch in
            }
            // two deliveries at once must not make two publications of one
            Locks::recordsOf($delivery->review_id);

            $placed = [];
            foreach ($batch as $i => $one) {
                $placed[$delivery->position + $i + 1] = $one;
            }
            $taken = $this->takeIn($delivery, $placed);
            $delivery->update([
                'position' => $delivery->position + count($batch) + $passedOver,
                'passed_over' => $delivery->passed_over + $passedOver,
                'rejected' => $delivery->rejected + count($batch) - $taken->kept,
            ] + $taken->addedTo($delivery));

            return $delivery;
        });
    }

    /** Takes in a record that was rejected and has been mended, at its place in the delivery. */
    public function mended(string $deliveryId, int $position, Reference $reference): void
    {
        DB::transaction(function () use ($deliveryId, $position, $reference): void {
            $delivery = Delivery::query()->lockForUpdate()->findOrFail($deliveryId);
            Locks::recordsOf($delivery->review_id);
            $delivery->update(
                ['rejected' => $delivery->rejected - 1] +
                    $this->takeIn($delivery, [$position => $reference])->addedTo($delivery),
            );
        });
    }

    /** @param  array<int, Reference|UnreadableRecord>  $batch  by position in the delivery */
    private function takeIn(Delivery $delivery, array $batch): TakenIn
    {
        $batch = array_map(fn (object $one): object => $one instanceof Reference ? $one->withoutMarkup() : $one, $batch);
        $references = array_filter($batch, fn (object $one): bool => $one instanceof Reference);
        $keys = array_map(ExactKeys::of(...), $references);
        $known = PublicationIndex::forKeys($delivery->review_id, $keys);
        $records = $publications = $rejections = $joined = [];
        $here = 0;
        foreach ($batch as $position => $one) {
            if ($one instanceof UnreadableRecord) {
                $rejections[] = self::rejection($delivery, $position, $one);

                continue;
            }
            $id = $known->find($keys[$position], $one);
            if ($id === null) {
                $publications[($id = strtolower((string) Str::ulid()))] = [$one];
            } elseif (isset($publications[$id])) {
                $publications[$id][] = $one;
                $here++;
            } else {
                $joined[$id] = true;
                $here++;
            }
            $known->add($keys[$position], $one, $id);
            $records[$position] = $id;
        }
        $this->write($delivery, $publications, self::records($delivery, $records, $references, $keys), $rejections);
        $this->refresh($delivery->review_id, array_map(strval(...), array_keys($joined)));

        return new TakenIn(count($records), $here, count($publications));
    }

    /**
     * @param  array<string, non-empty-list<Reference>>  $publications
     * @param  iterable<list<mixed>>  $records
     * @param  list<list<mixed>>  $rejections
     */
    private function write(Delivery $delivery, array $publications, iterable $records, array $rejections): void
    {
        $arrived = array_map(strval(...), array_keys($publications));
        $words = [];
        Copy::into('publications', self::PUBLICATION, $this->publications($delivery->review_id, $publications, $words));
        Copy::into('items', self::ITEM, self::items($delivery->review->firstStage(), $arrived));
        Copy::into('records', self::RECORD, $records);
        TitlesFirst::arrive($delivery->review, $arrived);
        Copy::into('rejections', self::REJECTION, $rejections);
        ReviewWords::add($delivery->review_id, $words);
    }

    /** @return list<string|int> */
    private static function rejection(Delivery $delivery, int $position, UnreadableRecord $one): array
    {
        $id = strtolower((string) Str::ulid());
        $text = mb_scrub($one->text, 'UTF-8');

        return [$id, $delivery->review_id, $delivery->id, $position, $one->line, $one->message, $text];
    }

    /**
     * @param  array<string, non-empty-list<Reference>>  $publications  what brought each: what came twice in this batch
     *     is written once, as the best of both
     * @param  list<string>  $words  filled with those that this delivery has not brought before
     * @return \Generator<int, list<string|int|null>>
     */
    private function publications(string $reviewId, array $publications, array &$words): \Generator
    {
        $now = now()->toIso8601String();
        foreach ($publications as $id => $references) {
            $values = PublicationFromRecords::of(
                count($references) === 1 ? $references[0] : KeptValues::of($references)->with([]),
            );
            $this->list($reviewId, (string) $values['words'], $words);
            yield [
                (string) $id,
                $reviewId,
                count($references),
                $now,
                $now,
                ...array_map(fn (string $column): string|int|null => $values[$column], self::VALUES),
            ];
        }
    }

    /**
     * @param  list<string>  $publications
     * @return \Generator<int, list<string>>
     */
    private static function items(Stage $stage, array $publications): \Generator
    {
        $now = now()->toIso8601String();
        [$review, $of] = [$stage->review_id, $stage->id];
        foreach ($publications as $id) {
            yield [strtolower((string) Str::ulid()), $review, $id, $of, $now, $now];
        }
    }

    /**
     * @param  array<int, string>  $records  the publication of each, by position in the delivery
     * @param  array<int, Reference>  $references
     * @param  array<int, ExactKeys>  $keys
     * @return \Generator<int, list<string|int|null>>
     */
    private static function records(Delivery $delivery, array $records, array $references, array $keys): \Generator
    {
        $now = now()->toIso8601String();
        [$review, $id] = [$delivery->review_id, $delivery->id];
        foreach ($records as $position => $publication) {
            $one = $references[$position];
            $told = json_encode(
                $one->toArray(),
                JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR,
            );
            yield [
                strtolower((string) Str::ulid()),
                $review,
                $id,
                (string) $publication,
                $position,
                $one->line,
                $keys[$position]->doi,
                $keys[$position]->work,
                $told,
                mb_scrub($one->source, 'UTF-8'),
                $now,
            ];
        }
    }

    /**
     * Lists words that this delivery has not brought before.
     *
     * @param  list<string>  $words  filled with them
     */
    private function list(string $reviewId, string $tsvector, array &$words): void
    {
        if ($this->listedFor !== $reviewId || count($this->listed) > self::REMEMBERED) {
            [$this->listedFor, $this->listed] = [$reviewId, []];
        }
        foreach (ReviewWords::of($tsvector) as $word) {
            if (! isset($this->listed[$word])) {
                $this->listed[$word] = true;
                $words[] = $word;
            }
        }
    }

    /**
     * Lets publications that were here show the best of all their records, the new ones included.
     *
     * @param  list<string>  $publicationIds
     */
    private function refresh(string $reviewId, array $publicationIds): void
    {
        if ($publicationIds === []) {
            return;
        }
        $changes = $this->changes($reviewId, $publicationIds);
        $words = [];
        foreach ($changes as $change) {
            $this->list($reviewId, (string) ($change['words'] ?? ''), $words);
        }
        ReviewWords::add($reviewId, $words);
        DB::update(
            <<<'SQL'
            UPDATE publications p SET title = c.title, authors = c.authors, first_author = c.first_author, year = c.year, journal = c.journal, place = c.place, doi = c.doi, abstract = c.abstract,
                type = c.type, language = c.language, sort_title = c.sort_title, words = c.words::tsvector, records_count = c.records_count, updated_at = now()
            FROM jsonb_to_recordset(?::jsonb) AS c (id text, title text, authors text, first_author text, year smallint, journal text, place text, doi text, abstract text, type text, language text, sort_title text, words text, records_count integer)
            WHERE p.review_id = ? AND p.id = c.id
            SQL
            ,
            [json_encode($changes, JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR), $reviewId],
        );
    }

    /**
     * @param  list<string>  $publicationIds
     * @return list<array<string, string|int|null>> what each publication is now
     */
    private function changes(string $reviewId, array $publicationIds): array
    {
        $publications = Publication::query()->where('review_id', $reviewId)->whereIn('id', $publicationIds);
        $changes = [];
        foreach ($publications->with('records')->get() as $publication) {
            /** @var non-empty-list<\App\Models\Record> $records */
            $records = $publication->records->all();
            $values = $this->values->values($records, array_values($publication->chosen));
            $changes[] = ['id' => $publication->id, ...$values];
        }

        return $changes;
    }
}
