<?php

declare(strict_types=1);

namespace App\Actions\Archive;

use App\Access\Role;
use App\Actions\Shared\WriteLog;
use App\Database\ArchivedTable;
use App\Database\ArchivedTables;
use App\Database\Plans;
use App\Files\In\ArchivedRow;
use App\Files\In\ArchiveFile;
use App\Files\Out\ArchivedRows;
use App\Files\StoredCopy;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Archive\ArchivedFile;
use WaryHeron\Core\Archive\BadArchive;

/** Brings a whole review in from its archive, or nothing of it. */
final readonly class BringInArchive
{
    private const PART = 500;

    private const PART_BYTES = 8_388_608;

    private const NAMES_WHAT_IS_NOT_THERE = '23503';

    public function __construct(private PeopleOfArchive $people, private WriteLog $log)
    {
    }

    /**
     * @param  User  $by  leads the review from now on
     * @param  bool  $isTrusted  whether people of the archive are taken for those of this copy with the same address
     * @param  \Closure(int $done, int $total): void  $told
     *
     * @throws BadArchive If it cannot be taken; nothing was.
     */
    public function execute(User $by, string $path, bool $isTrusted, \Closure $told): Review
    {
        $archive = ArchiveFile::open($path);
        self::refuseUnfit($archive);
        $tables = ArchivedTables::all();
        $this->checkTables($archive, $tables);

        $brought = DB::transaction(fn (): Review => $this->rows($by, $archive, $tables, $isTrusted, $told));
        Plans::knowTables();

        return $brought;
    }

    private static function refuseUnfit(ArchiveFile $archive): void
    {
        $manifest = $archive->manifest;
        if ($manifest->structure > ArchivedTables::structure()) {
            throw new BadArchive('It was written by a newer release. Bring this copy up to date and try again.');
        }
        if (Review::query()->whereKey($manifest->review)->exists()) {
            throw new BadArchive("“{$manifest->title}” is here already. An archive brings back what is not here any more.");
        }
    }

    /**
     * @param  list<ArchivedTable>  $tables
     * @param  \Closure(int, int): void  $told
     */
    private function rows(User $by, ArchiveFile $archive, array $tables, bool $isTrusted, \Closure $told): Review
    {
        $manifest = $archive->manifest;
        $ids = $this->people->execute($by, $archive, $isTrusted) + $this->thesauriHere($archive);
        foreach ($tables as $n => $table) {
            $this->bring($archive, $table, $ids);
            $told($n + 1, count($tables));
        }
        $this->checkBounds($manifest->review, $ids, $archive);
        // last, so that nothing is left in the store of what is refused
        $this->keepFiles($archive);
        $review = Review::query()->findOrFail($manifest->review);
        $review->memberships()->updateOrCreate(['user_id' => $by->id], ['role' => Role::Lead]);
        $about = ['written' => $manifest->writtenAt, 'structure' => $manifest->structure];
        $words = "Brought the review in from an archive of {$manifest->writtenAt}";
        ($this->log)($review, $by, 'archive.brought-in', $words, $review, $about);

        return $review;
    }

    /** @param  list<ArchivedTable>  $tables */
    private function checkTables(ArchiveFile $archive, array $tables): void
    {
        $known = array_map(fn (ArchivedTable $one): string => $one->file(), $tables);
        foreach ($archive->manifest->files as $one) {
            if (str_starts_with($one->name, 'data/') && ! in_array($one->name, [...$known, 'data/people.jsonl'], true)) {
                throw new BadArchive("“{$one->name}” is of no table that this copy knows, and would be lost.");
            }
        }
        foreach (['data/reviews.jsonl', 'data/people.jsonl'] as $needed) {
            $file = $archive->manifest->file($needed);
            if ($file === null || (int) $file->rows === 0) {
                throw new BadArchive("“{$needed}” is missing or empty.");
            }
        }
    }

    /** Files go by their checksums: what is here already is the same, and what is new takes nothing away. */
    private function keepFiles(ArchiveFile $archive): void
    {
        foreach ($archive->manifest->files as $one) {
            if (! str_starts_with($one->name, 'files/')) {
                continue;
            }
            $stored = substr($one->name, strlen('files/'));
            if (preg_match('~^(deliveries|full-texts)/[0-9a-f]{64}\z~', $stored) !== 1 || basename($stored) !== $one->sha256) {
                throw new BadArchive("“{$one->name}” is not named by its checksum.");
            }
            if (! Storage::exists($stored)) {
                $this->keep($archive, $one, $stored);
            }
        }
    }

    private function keep(ArchiveFile $archive, ArchivedFile $file, string $stored): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        try {
            $archive->extract($file->name, $path);
            StoredCopy::keep($path, $stored);
        } finally {
            unlink($path);
        }
    }

    /** @return array<string, string> ids of the thesauri of this copy by those of the archive, where they are the same */
    private function thesauriHere(ArchiveFile $archive): array
    {
        $ids = [];
        foreach ($archive->manifest->file('data/schemes.jsonl') === null ? [] : $archive->lines('data/schemes.jsonl') as $n => $line) {
            $row = ArchivedRow::decode($line, 'schemes', $n);
            if (($row['review_id'] ?? null) === null) {
                $same = DB::table('schemes')->whereNull('review_id')->where('content_hash', $row['content_hash'] ?? '')->value('id');
                $ids += $same === null ? [] : [(string) $row['id'] => (string) $same];
            }
        }

        return $ids;
    }

    /** @param  array<string, string>  $ids  of here by those of the archive */
    private function bring(ArchiveFile $archive, ArchivedTable $table, array $ids): void
    {
        if ($archive->manifest->file($table->file()) === null) {
            return; // a table that is younger than the archive
        }
        [$lines, $bytes, $columns, $naming] = [[], 0, null, []];
        foreach ($archive->lines($table->file()) as $n => $line) {
            $row = new ArchivedRow($table, $n, $line, $archive->manifest->review, $ids);
            $columns ??= $row->columns();
            if ($columns !== $row->columns()) {
                throw new BadArchive("Line {$n} of “{$table->file()}” has other columns than the first.");
            } elseif ($row->isHere()) {
                continue;
            }
            $lines[] = $row->line();
            array_push($naming, ...$row->naming());
            $bytes += strlen($line);
            if (count($lines) === self::PART || $bytes > self::PART_BYTES) {
                $this->insert($table, $columns, $lines, $n);
                [$lines, $bytes] = [[], 0];
            }
        }
        if ($lines !== []) {
            $this->insert($table, $columns ?? [], $lines, $n ?? 0);
        }
        Plans::anew();
        $this->nameEachOther($table, $columns ?? [], $naming, $n ?? 0);
        $this->countOn($table);
    }

    /** What comes later is numbered after what was brought. */
    private function countOn(ArchivedTable $table): void
    {
        foreach ($table->numbered as $column) {
            DB::statement(
                "SELECT setval(pg_get_serial_sequence(?, ?), greatest(
                    (SELECT coalesce(max(\"{$column}\"), 0) FROM \"{$table->name}\") + 1,
                    nextval(pg_get_serial_sequence(?, ?))))",
                [$table->name, $column, $table->name, $column],
            );
        }
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $lines
     */
    private function insert(ArchivedTable $table, array $columns, array $lines, int $until): void
    {
        // rows that name others of their own table name them when all are there
        $this->carefully($table, $until, fn () => DB::insert($table->insertion($columns, $table->toItself), ['['.implode(',', $lines).']']));
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $naming  the rows that name others of their own table, with nothing else in them
     */
    private function nameEachOther(ArchivedTable $table, array $columns, array $naming, int $until): void
    {
        $set = implode(', ', array_map(
            fn (string $one): string => "\"{$one}\" = named.\"{$one}\"",
            array_intersect($table->toItself, $columns),
        ));
        foreach (array_chunk($naming, self::PART) as $some) {
            $this->carefully($table, $until, fn () => DB::update(
                "UPDATE \"{$table->name}\" AS t SET {$set} FROM {$table->rows()} AS named WHERE t.review_id = named.review_id AND t.id = named.id",
                ['['.implode(',', $some).']'],
            ));
        }
    }

    /**
     * Nothing in it may name a person whom it does not list; that it names no row of another review is seen to by the keys.
     *
     * @param  array<string, string>  $ids
     */
    private function checkBounds(string $reviewId, array $ids, ArchiveFile $archive): void
    {
        $listed = [];
        foreach ($archive->lines('data/people.jsonl') as $n => $line) {
            $id = (string) ArchivedRow::decode($line, 'people', $n)['id'];
            $listed[$ids[$id] ?? $id] = true;
        }
        foreach (ArchivedRows::people($reviewId) as $line) {
            if (! isset($listed[json_decode($line, true)['id']])) {
                throw new BadArchive('It names people whom “data/people.jsonl” does not list.');
            }
        }
    }

    /** @param  \Closure(): mixed  $write */
    private function carefully(ArchivedTable $table, int $until, \Closure $write): void
    {
        try {
            $write();
        } catch (QueryException $refused) {
            $why = preg_match('/(ERROR|DETAIL): +(.{1,200})/', (string) ($refused->errorInfo[2] ?? ''), $m) === 1 ? $m[2] : '';
            if ($refused->getCode() === self::NAMES_WHAT_IS_NOT_THERE) {
                throw new BadArchive("“{$table->file()}” names rows that its review does not have, in the lines up to {$until}: {$why}", 0, $refused);
            }
            throw new BadArchive("“{$table->file()}” cannot be taken, in the lines up to {$until}: {$why}", 0, $refused);
        }
    }
}
