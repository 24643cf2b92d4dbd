<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Delivery;
use App\Support\Copy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\ExactKeys;
use WaryHeron\Core\Screening\Stage;

/**
 * Takes a batch of a delivery in, whole or not at all: records are kept, exact duplicates join their publication, what could not
 * be read is noted. The delivery's position moves in the same transaction, so that a batch is never taken in twice.
 */
final class TakeInRecords
{
    private const RECORD = ['id', 'review_id', 'delivery_id', 'publication_id', 'position', 'line', 'doi_key', 'work_key', 'reference', 'source', 'created_at'];

    private const ITEM = ['id', 'review_id', 'publication_id', 'stage', 'created_at', 'updated_at'];

    public function __construct(private readonly MergePublications $merge)
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
            DB::select('SELECT pg_advisory_xact_lock(hashtext(?))', ["records of {$delivery->review_id}"]);

            return $this->takeIn($delivery, $batch, $passedOver);
        });
    }

    /** @param  list<Reference|UnreadableRecord>  $batch */
    private function takeIn(Delivery $delivery, array $batch, int $passedOver): Delivery
    {
        $references = array_filter($batch, fn (object $one): bool => $one instanceof Reference);
        $keys = array_map(ExactKeys::of(...), $references);
        $known = KnownPublications::forKeys($delivery->review_id, $keys);
        $now = now()->toIso8601String();
        $records = $publications = $items = $rejections = $joined = [];
        foreach ($batch as $i => $one) {
            $position = $delivery->position + $i + 1;
            if ($one instanceof UnreadableRecord) {
                $rejections[] = [strtolower((string) Str::ulid()), $delivery->review_id, $delivery->id, $position, $one->line, $one->message, mb_scrub($one->text, 'UTF-8')];

                continue;
            }
            $id = $known->find($keys[$i]);
            if ($id === null) {
                $id = strtolower((string) Str::ulid());
                $publications[$id] = ['id' => $id, 'review_id' => $delivery->review_id, ...PublicationFromRecords::of($one, $one->abstract, $one->doi), 'records_count' => 1, 'created_at' => $now, 'updated_at' => $now];
                $items[] = [strtolower((string) Str::ulid()), $delivery->review_id, $id, Stage::TitleAbstract->value, $now, $now];
            } else {
                $joined[$id][] = $one;
            }
            $known->add($keys[$i], $id);
            $records[] = [
                strtolower((string) Str::ulid()), $delivery->review_id, $delivery->id, $id, $position, $one->line, $keys[$i]->doi, $keys[$i]->work,
                json_encode($one->toArray(), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR), mb_scrub($one->source, 'UTF-8'), $now,
            ];
        }
        Copy::into('publications', array_keys(reset($publications) ?: []), array_map(array_values(...), array_values($publications)));
        Copy::into('items', self::ITEM, $items);
        Copy::into('records', self::RECORD, $records);
        Copy::into('rejections', ['id', 'review_id', 'delivery_id', 'position', 'line', 'message', 'text'], $rejections);
        $this->complete($delivery->review_id, $joined);
        // one that was here before this batch stays counted where it came from
        $merged = count(array_intersect_key($publications, array_flip($this->merge->all($delivery->review_id, $known->bridges()))));

        $alreadyHere = array_sum(array_map(count(...), $joined));
        $delivery->update([
            'position' => $delivery->position + count($batch) + $passedOver,
            'passed_over' => $delivery->passed_over + $passedOver,
            'kept' => $delivery->kept + count($records),
            'rejected' => $delivery->rejected + count($rejections),
            'already_here' => $delivery->already_here + $alreadyHere + $merged,
            'new' => $delivery->new + count($publications) - $merged,
        ]);

        return $delivery;
    }

    /**
     * Counts the new records of publications that were here, and takes from them an abstract or a DOI that was missing.
     *
     * @param  array<string, non-empty-list<Reference>>  $joined
     */
    private function complete(string $reviewId, array $joined): void
    {
        if ($joined === []) {
            return;
        }
        $now = DB::table('publications')->where('review_id', $reviewId)->whereIn('id', array_keys($joined))->get(['id', 'title', 'abstract', 'doi'])->keyBy('id');
        $changes = [];
        foreach ($joined as $id => $references) {
            $change = ['id' => $id, 'more' => count($references), 'abstract' => null, 'words' => null, 'doi' => null];
            foreach ($references as $reference) {
                if ($now[$id]->doi === '' && $reference->doi !== '') {
                    $change['doi'] ??= mb_substr($reference->doi, 0, 250);
                }
                if ($now[$id]->abstract === '' && $reference->abstract !== '' && $change['abstract'] === null) {
                    $change['abstract'] = $reference->abstract;
                    $change['words'] = PublicationFromRecords::words($reference, $now[$id]->title, $reference->abstract);
                }
            }
            $changes[] = $change;
        }
        DB::update(<<<'SQL'
            UPDATE publications p SET records_count = p.records_count + c.more, abstract = coalesce(c.abstract, p.abstract),
                words = coalesce(c.words::tsvector, p.words), doi = coalesce(c.doi, p.doi), updated_at = now()
            FROM jsonb_to_recordset(?::jsonb) AS c (id text, more integer, abstract text, words text, doi text)
            WHERE p.review_id = ? AND p.id = c.id
            SQL, [json_encode($changes, JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR), $reviewId]);
    }
}
