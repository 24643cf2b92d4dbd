<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\Publication;
use App\Models\Review;
use App\Queries\Library\KeptReference;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** What was delivered, and what became of it. */
final class RecordListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::deliveries(), self::records(), self::publications(), self::fullTexts()];
    }

    private static function deliveries(): Listing
    {
        return new Listing('deliveries', 'Imports: a file or a fetch each', [
            'id' => Field::id('the delivery'),
            'state' => Field::text('queued, reading, done, failed …'),
            'source_name' => Field::text('where the records are from'),
            'source_kind' => Field::text('database, register, other'),
            'searched_on' => Field::day('when the search was made')->orNone(),
            'file_name' => Field::text('of a file')->orNone(),
            'query_sent' => Field::text('of a fetch')->orNone(),
            'full_text_id' => Field::id('the copy whose list of references it is')->orNone(),
            'kept' => Field::whole('records that were read'),
            'rejected' => Field::whole('that could not be'),
            'already_here' => Field::whole('of publications that were here'),
            'new' => Field::whole('new publications'),
            'failure' => Field::text('why it failed')->orNone(),
            'withdrawn_at' => Field::time('since when it is taken back')->orNone(),
            'created_at' => Field::time('when it came'),
        ], fn (Review $review): Builder => DB::table('deliveries')->where('review_id', $review->id));
    }

    private static function records(): Listing
    {
        return new Listing('records', 'References as the sources gave them', [
            'id' => Field::id('the record'),
            'delivery_id' => Field::id('with which it came'),
            'publication_id' => Field::id('what it is of')->orNone(),
            'csl' => Field::json('as CSL-JSON'),
            'source' => Field::text('its text as it came')->orNone(),
            'withdrawn_at' => Field::time('since when it is taken back')->orNone(),
        ], fn (Review $review): Builder => DB::table('records')->where('review_id', $review->id), filters: [
            'delivery_id' => [Field::id('only of this delivery'), 'delivery_id'],
            'publication_id' => [Field::id('only of this publication'), 'publication_id'],
        ], more: fn (array $rows) => self::addCsl($rows, array_map(
            fn (stdClass $row): Reference => Reference::fromArray(json_decode((string) $row->reference, true, 32)),
            $rows,
        )));
    }

    private static function publications(): Listing
    {
        return new Listing('publications', 'What records become when duplicates are joined', [
            'id' => Field::id('the publication'),
            'title' => Field::text('as it is shown'),
            'year' => Field::whole('of publication')->orNone(),
            'doi' => Field::text('without resolver')->orNone(),
            'csl' => Field::json('the best of its records, as CSL-JSON'),
            'records' => Field::whole('how many tell of it'),
            'tags' => Field::texts('by the team'),
            'study_id' => Field::id('of which it is one of several reports')->orNone(),
            'removed_at' => Field::time('since when it is out of the review')->orNone(),
            'removed_for' => Field::text('why')->orNone(),
            'created_at' => Field::time('when it came'),
        ], self::joined(...), more: self::addKept(...));
    }

    private static function joined(Review $review): Builder
    {
        return DB::table('publications')
            ->where('review_id', $review->id)
            ->whereNull('merged_into')
            ->select(['id', 'title', 'year', 'doi', 'study_id', 'removed_at', 'removed_for', 'created_at'])
            ->addSelect('records_count AS records')
            ->selectRaw(<<<'SQL'
                (SELECT coalesce(json_agg(t.tag ORDER BY t.tag), '[]') FROM publication_tags t
                WHERE t.review_id = publications.review_id AND t.publication_id = publications.id) AS tags
                SQL);
    }

    private static function fullTexts(): Listing
    {
        return new Listing('full-texts', 'Copies of papers; the file of each has an address of its own', [
            'id' => Field::id('the copy'),
            'publication_id' => Field::id('of which')->orNone(),
            'name' => Field::text('of the file'),
            'bytes' => Field::whole('its size'),
            'sha256' => Field::text('of the file'),
            'pages' => Field::whole('how many')->orNone(),
            'state' => Field::text('whether it could be read'),
            'origin' => Field::text('how it came'),
            'created_at' => Field::time('when it came'),
        ], fn (Review $review): Builder => DB::table('full_texts')
            ->where('review_id', $review->id)
            ->whereNull('taken_out_at')
            ->select(['*', 'hash AS sha256']), filters: [
                'publication_id' => [Field::id('only of this publication'), 'publication_id'],
            ]);
    }

    /** @param  list<stdClass>  $rows */
    private static function addKept(array $rows, Review $review): void
    {
        $kept = Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', array_column($rows, 'id'))
            ->with('records')
            ->get()
            ->keyBy('id');

        self::addCsl($rows, array_map(
            fn (stdClass $row): Reference => KeptReference::of($kept[$row->id]) ?? new Reference(
                PublicationType::Other,
                title: (string) $row->title,
            ),
            $rows,
        ));
    }

    /**
     * @param  list<stdClass>  $rows
     * @param  list<Reference>  $references  of each
     */
    private static function addCsl(array $rows, array $references): void
    {
        $written = implode('', iterator_to_array(Formats::writers()['csl-json']->write($references), false));
        $csl = json_decode($written === '' ? '[]' : $written, true, 32, JSON_THROW_ON_ERROR);

        foreach ($rows as $i => $row) {
            $row->csl = $csl[$i] ?? null;
        }
    }
}
