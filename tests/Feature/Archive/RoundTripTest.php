<?php

namespace Tests\Feature\Archive;

use App\Database\ArchivedTables;
use App\Models\Review;
use Illuminate\Support\Facades\DB;

/** @return array<string, string> what two archives of one review have in common: all but when and that they were written */
function lasting(string $path): array
{
    $contents = AtArchive::contents($path);
    unset($contents['manifest.json']);
    foreach (['data/log_entries.jsonl', 'open/log.csv'] as $log) {
        $lines = array_filter(explode("\n", $contents[$log]), fn (string $line): bool => ! str_contains($line, 'archive.'));
        $contents[$log] = implode("\n", $lines);
    }

    return $contents;
}

it('brings back byte for byte what was written, after the review was deleted for good', function () {
    $review = AtArchive::review()->world->review;
    $lead = $review->memberships()->first()->user;
    $first = AtArchive::write($review);
    AtArchive::delete($review, $first);
    expect(Review::query()->find($review->id))->toBeNull()
        ->and(DB::table('publications')->where('review_id', $review->id)->count())->toBe(0);
    $again = AtArchive::write(AtArchive::bring($lead, $first));
    foreach (lasting($again) as $name => $content) {
        expect($content)->toBe(lasting($first)[$name], $name);
    }
    expect(array_keys(lasting($again)))->toBe(array_keys(lasting($first)));
});

it('leaves no table of a review unsaid', function () {
    $with = array_column(DB::select(
        "SELECT DISTINCT table_name AS name FROM information_schema.columns JOIN information_schema.tables USING (table_schema, table_name)
            WHERE table_schema = current_schema AND table_type = 'BASE TABLE' AND column_name = 'review_id'",
    ), 'name');
    $archived = array_map(fn ($one): string => $one->name, ArchivedTables::all());
    expect(array_diff($with, $archived, array_keys(ArchivedTables::LEFT_OUT)))->toBe([])
        ->and(array_unique($archived))->toBe($archived)
        ->and(array_search('decisions', $archived))->toBeLessThan(array_search('assignments', $archived));
});
