<?php

namespace Tests\Feature\Shared;

use App\Models\Publication;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** Tables with a column “review_id” that are not of a review: work of this installation, and thesauri that reviews share. */
const SHARED = ['jobs', 'schemes'];

/** @return list<string> tables that are of a review, by the catalogue */
function tablesOfReviews(): array
{
    return array_values(array_diff(array_column(DB::select(
        <<<'SQL'
        SELECT c.relname AS name FROM pg_class c
        JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'review_id' AND NOT a.attisdropped
        WHERE c.relnamespace = current_schema::regnamespace AND c.relkind IN ('r', 'p') AND NOT c.relispartition
        SQL,
    ), 'name'), SHARED));
}

it('has the review in every key that makes a row the only one', function (): void {
    $tables = tablesOfReviews();
    expect(count($tables))->toBeGreaterThan(70);
    $without = array_column(DB::select(
        <<<'SQL'
        SELECT i.indexrelid::regclass::text AS name FROM pg_index i
        JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attname = 'review_id'
        WHERE i.indisunique AND i.indrelid::regclass::text = ANY (?) AND NOT a.attnum = ANY (i.indkey::int2[])
        SQL,
        ['{'.implode(',', $tables).'}'],
    ), 'name');
    $keyless = array_filter($tables, fn (string $table): bool => DB::selectOne(
        'SELECT EXISTS (SELECT FROM pg_index WHERE indrelid = ?::regclass AND indisprimary) AS it',
        [$table],
    )->it === false);
    expect($without)->toBe([])->and($keyless)->toBe([]);
});

it('lets no row of a review name a row of another', function (): void {
    $loose = DB::select(
        <<<'SQL'
        SELECT c.conrelid::regclass || '.' || c.conname AS name FROM pg_constraint c
        WHERE c.contype = 'f' AND c.conrelid::regclass::text = ANY (?) AND c.confrelid::regclass::text = ANY (?)
            AND NOT EXISTS (
                SELECT FROM unnest(c.conkey, c.confkey) AS k (mine, theirs)
                JOIN pg_attribute m ON m.attrelid = c.conrelid AND m.attnum = k.mine AND m.attname = 'review_id'
                JOIN pg_attribute t ON t.attrelid = c.confrelid AND t.attnum = k.theirs AND t.attname = 'review_id')
        SQL,
        array_fill(0, 2, '{'.implode(',', tablesOfReviews()).'}'),
    );
    expect(array_column($loose, 'name'))->toBe([]);

    $world = new World();
    $world->deliver([['TI' => 'Lamps']]);
    $theirs = Publication::query()->where('review_id', $world->review->id)->sole();
    $other = app(\App\Actions\Team\CreateReview::class)->execute($world->people['lead'], 'Another', 'Do they help?');
    expect(fn () => DB::table('items')->insert([
        'id' => (string) \Illuminate\Support\Str::ulid(),
        'review_id' => $other->id,
        'publication_id' => $theirs->id,
        'stage_id' => $other->firstStage()->id,
        'created_at' => now(),
        'updated_at' => now(),
    ]))->toThrow(QueryException::class, 'violates foreign key');
});
