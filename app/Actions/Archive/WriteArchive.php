<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Actions\Shared\WriteLog;
use App\Database\ArchivedTable;
use App\Database\ArchivedTables;
use App\Files\Out\ArchivedRows;
use App\Files\Out\ArchiveSchemas;
use App\Files\Out\ArchiveWriter;
use App\Files\Out\OpenFiles;
use App\Files\StoredCopy;
use App\Files\TemporaryFolder;
use App\Models\FullText;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Archive\ArchiveManifest;

/** Writes a whole review as one file, as it stood at one moment, however much is done meanwhile. */
final readonly class WriteArchive
{
    public function __construct(private OpenFiles $open, private WriteLog $log)
    {
    }

    /**
     * @param  ?User  $by  null where whoever runs this copy writes it
     * @param  string  $path  written whole or not at all
     * @param  \Closure(int $done, int $total): void  $told
     */
    public function execute(?User $by, Review $review, string $path, bool $hasFullTexts, \Closure $told): ArchiveManifest
    {
        $folder = TemporaryFolder::make();
        $review = $review->refresh();
        try {
            $writer = new ArchiveWriter($folder);
            $structure = ArchivedTables::structure();
            $this->atOneMoment(fn () => $this->contents($writer, $review, $by, $hasFullTexts, $told));
            $writer->add('README.html', [view('archive.readme', ['review' => $review, 'hasFullTexts' => $hasFullTexts])->render()]);
            $manifest = new ArchiveManifest(
                $review->id,
                $review->title,
                now()->utc()->format('Y-m-d\TH:i:s\Z'),
                $structure,
                $hasFullTexts,
                $writer->files(),
            );
            $writer->pack($path, $manifest);
        } finally {
            TemporaryFolder::remove($folder);
        }
        $with = $hasFullTexts ? 'with its full texts' : 'without full texts';
        ($this->log)($review, $by, 'archive.written', "Wrote an archive of the review, {$with}", $review);

        return $manifest;
    }

    /** @param  \Closure(int, int): void  $told */
    private function contents(ArchiveWriter $writer, Review $review, ?User $by, bool $hasFullTexts, \Closure $told): void
    {
        $tables = ArchivedTables::all();
        foreach ($tables as $n => $table) {
            $writer->add($table->file(), ArchivedRows::of($table, $review->id, $hasFullTexts), isRows: true);
            $told($n + 1, count($tables) + 2);
        }
        $writer->add('data/people.jsonl', ArchivedRows::people($review->id), isRows: true);
        $this->described($writer, $review, $by ?? User::query()->findOrFail($review->created_by), $tables);
        $this->files($writer, $review, $hasFullTexts);
        $told(count($tables) + 1, count($tables) + 2);
    }

    /**
     * In open formats, and what the tables are.
     *
     * @param  list<ArchivedTable>  $tables
     */
    private function described(ArchiveWriter $writer, Review $review, User $for, array $tables): void
    {
        foreach ($this->open->of($review, $for) as $name => $pieces) {
            $writer->add("open/{$name}", $pieces);
        }
        foreach (ArchiveSchemas::of($tables) as $name => $schema) {
            $writer->add("schemas/{$name}.schema.json", [$schema]);
        }
    }

    /** @param  \Closure(): void  $write */
    private function atOneMoment(\Closure $write): void
    {
        $isFirst = DB::transactionLevel() === 0;
        DB::beginTransaction();
        try {
            if ($isFirst) {
                DB::statement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY');
            }
            DB::statement("SET LOCAL timezone = 'UTC'");
            $write();
        } finally {
            DB::rollBack();
        }
    }

    /** What was delivered, and the papers, each once under its checksum. */
    private function files(ArchiveWriter $writer, Review $review, bool $hasFullTexts): void
    {
        $stored = [...self::delivered($review), ...$hasFullTexts ? self::papers($review) : []];
        sort($stored);
        foreach (array_unique($stored) as $name) {
            // what is gone from the store is missing here as it is there
            if (Storage::exists($name)) {
                $writer->addStored("files/{$name}", StoredCopy::path($name));
            }
        }
    }

    /** @return list<string> */
    private static function delivered(Review $review): array
    {
        $deliveries = DB::table('deliveries')->where('review_id', $review->id);
        $hashes = $deliveries->whereNotNull('file_hash')->pluck('file_hash');

        return array_values($hashes->map(fn (mixed $hash): string => "deliveries/{$hash}")->all());
    }

    /** @return list<string> full texts, and beside each of pictures what was read of them */
    private static function papers(Review $review): array
    {
        $papers = DB::table('full_texts')->where('review_id', $review->id)->whereNull('taken_out_at');
        $hashes = $papers->clone()->pluck('hash')->merge($papers->whereNotNull('read_hash')->pluck('read_hash'));

        return array_values($hashes->map(fn (mixed $hash): string => FullText::pathOf((string) $hash))->all());
    }
}
