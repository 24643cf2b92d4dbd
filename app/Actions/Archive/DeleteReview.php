<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Access\SecurityLog;
use App\Database\ArchivedTables;
use App\Files\In\ArchiveFile;
use App\Models\FullText;
use App\Models\LogEntry;
use App\Models\Review;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Archive\BadArchive;

/**
 * Deletes a review for good, after an archive that holds all of it. Only the owner of the tables can: what is only added
 * to stays for everybody else.
 */
final readonly class DeleteReview
{
    public function __construct(private SecurityLog $security)
    {
    }

    /** @throws BadArchive If the archive is not whole, or something was done after it. */
    public function execute(Review $review, string $archive): void
    {
        $this->check($review, ArchiveFile::open($archive));
        $stored = $this->stored($review);
        DB::transaction(function () use ($review): void {
            $indexed = $this->indexed();
            $tables = [...array_keys(ArchivedTables::LEFT_OUT)];
            foreach (array_reverse(ArchivedTables::all()) as $table) {
                $tables[] = $table->name;
            }
            foreach (self::inOrder($tables) as $table) {
                DB::statement("ALTER TABLE \"{$table}\" DISABLE TRIGGER USER");
                DB::table($table)->where($table === 'reviews' ? 'id' : 'review_id', $review->id)->delete();
                DB::statement("ALTER TABLE \"{$table}\" ENABLE TRIGGER USER");
            }
            array_map(fn (string $index) => DB::statement("DROP INDEX {$index}"), $indexed);
        });
        Storage::delete($stored);
        // its own Log went with it
        $this->security->write('review deleted', ['review' => $review->id, 'archive' => (string) hash_file('sha256', $archive)]);
        $this->tidy();
    }

    /** The planner took a table that is empty now for a large one without rows, and any of its indexes for as good as another. */
    private function tidy(): void
    {
        foreach (DB::transactionLevel() === 0 ? ArchivedTables::all() : [] as $table) {
            DB::statement("VACUUM (ANALYZE) \"{$table->name}\"");
        }
    }

    /** @return list<string> names of indexes that were made: each row that goes is looked for wherever it could be named */
    private function indexed(): array
    {
        $made = [];
        foreach (ArchivedTables::naming() as $naming) {
            [$table, $column] = [$naming->table, $naming->column];
            $has = DB::scalar(
                'SELECT EXISTS (SELECT FROM pg_index i JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = i.indkey[0]
                    WHERE i.indrelid = ?::regclass AND a.attname = ? AND i.indpred IS NULL)',
                [$table, $column],
            );
            if (! $has) {
                DB::statement("CREATE INDEX going_{$table}_{$column} ON \"{$table}\" (\"{$column}\")");
                $made[] = "going_{$table}_{$column}";
            }
        }

        return $made;
    }

    private function check(Review $review, ArchiveFile $archive): void
    {
        if ($archive->manifest->review !== $review->id) {
            throw new BadArchive("It is of “{$archive->manifest->title}”.");
        }
        if (! $archive->manifest->hasFullTexts) {
            throw new BadArchive('It is without the full texts, which would be lost.');
        }
        $last = LogEntry::query()
            ->where('review_id', $review->id)
            ->where('action', '<>', 'archive.written')
            ->max('id');
        foreach ($archive->lines('data/log_entries.jsonl') as $line) {
            if (str_contains($line, "\"id\": \"{$last}\"")) {
                return;
            }
        }
        throw new BadArchive('Something was done in the review after it was written.');
    }

    /**
     * @param  list<string>  $tables
     * @return list<string>
     */
    private static function inOrder(array $tables): array
    {
        // what names work of this place goes before the work
        $last = ['tasks', 'reviews'];

        return [
            ...array_values(array_diff($tables, $last, ['jobs', 'scheme_concepts'])),
            ...$last,
        ];
    }

    /** @return list<string> files that no other review has */
    private function stored(Review $review): array
    {
        $elsewhere = fn (string $table, string $column, string $hash): bool => DB::table($table)
            ->where($column, $hash)
            ->where('review_id', '<>', $review->id)
            ->exists();
        $stored = [];
        foreach (DB::table('deliveries')->where('review_id', $review->id)->whereNotNull('file_hash')->pluck('file_hash') as $hash) {
            $elsewhere('deliveries', 'file_hash', (string) $hash) || ($stored[] = "deliveries/{$hash}");
        }
        foreach (DB::table('full_texts')->where('review_id', $review->id)->get(['hash', 'read_hash']) as $paper) {
            foreach (array_filter([$paper->hash, $paper->read_hash]) as $hash) {
                $elsewhere('full_texts', 'hash', $hash) || $elsewhere('full_texts', 'read_hash', $hash)
                    || ($stored[] = FullText::pathOf($hash));
            }
        }
        foreach (DB::table('made_files')->where('review_id', $review->id)->pluck('stored') as $made) {
            $stored[] = (string) $made;
        }

        return $stored;
    }
}
