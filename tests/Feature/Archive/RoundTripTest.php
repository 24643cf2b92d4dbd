<?php

namespace Tests\Feature\Archive;

use App\Database\ArchivedTables;
use App\Models\Review;
use Illuminate\Support\Facades\DB;

it('brings back byte for byte what was written, after the review was deleted for good', function () {
    $review = AtArchive::review()->world->review;
    $lead = $review->memberships()->first()->user;
    $first = AtArchive::write($review);
    AtArchive::delete($review, $first);
    expect(Review::query()->find($review->id))->toBeNull()
        ->and(DB::table('publications')->where('review_id', $review->id)->count())->toBe(0);
    $again = AtArchive::write(AtArchive::bring($lead, $first));
    expect(AtArchive::differing($first, $again))->toBe([]);
});

it('leaves no table of a review unsaid', function () {
    $with = array_column(DB::select(
        "SELECT DISTINCT table_name AS name FROM information_schema.columns JOIN information_schema.tables USING (table_schema, table_name)
            WHERE table_schema = current_schema AND table_type = 'BASE TABLE' AND column_name = 'review_id'
                AND NOT EXISTS (SELECT FROM pg_inherits WHERE inhrelid = table_name::regclass)",
    ), 'name');
    $archived = array_map(fn ($one): string => $one->name, ArchivedTables::all());
    expect(array_diff($with, $archived, array_keys(ArchivedTables::LEFT_OUT)))->toBe([])
        ->and(array_unique($archived))->toBe($archived)
        ->and(array_search('decisions', $archived))->toBeLessThan(array_search('assignments', $archived));
});
