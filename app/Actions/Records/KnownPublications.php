<?php

declare(strict_types=1);

namespace App\Actions\Records;

use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Matching\ExactKeys;

/** The publications of a review that a batch of records may belong to, found by exact keys. */
final class KnownPublications
{
    /** @var array<string, string> publication by DOI */
    private array $byDoi = [];

    /** @var array<string, list<string>> publications by title, year and first author */
    private array $byWork = [];

    /** @var array<string, array<string, true>> DOIs by publication */
    private array $dois = [];

    /** @var list<array{string, string}> */
    private array $bridges = [];

    /** @param  array<ExactKeys>  $keys */
    public static function forKeys(string $reviewId, array $keys): self
    {
        $known = new self;
        $dois = array_values(array_unique(array_filter(array_map(fn (ExactKeys $k): ?string => $k->doi, $keys))));
        $works = array_values(array_unique(array_filter(array_map(fn (ExactKeys $k): ?string => $k->work, $keys))));
        // in two steps and with arrays: joined in one, a planner without statistics reads the whole table for every batch
        $ids = array_column(DB::select(<<<'SQL'
            SELECT publication_id FROM records WHERE review_id = ? AND separated_at IS NULL AND doi_key = ANY (?::text[])
            UNION SELECT publication_id FROM records WHERE review_id = ? AND separated_at IS NULL AND work_key = ANY (?::text[])
            SQL, [$reviewId, self::array($dois), $reviewId, self::array($works)]), 'publication_id');
        $rows = $ids === [] ? [] : DB::select(<<<'SQL'
            SELECT DISTINCT publication_id, doi_key, work_key FROM records
            WHERE review_id = ? AND separated_at IS NULL AND publication_id = ANY (?::bpchar[]) ORDER BY publication_id
            SQL, [$reviewId, self::array($ids)]);
        foreach ($rows as $row) {
            $known->note($row->doi_key, $row->work_key, $row->publication_id);
        }

        return $known;
    }

    public function find(ExactKeys $keys): ?string
    {
        $byDoi = $keys->doi === null ? null : $this->byDoi[$keys->doi] ?? null;
        $byWork = null;
        foreach ($keys->work === null ? [] : $this->byWork[$keys->work] ?? [] as $candidate) {
            if ($candidate !== $byDoi && $this->agree($keys->doi, $candidate)) {
                $byWork = $candidate;
                break;
            }
        }
        if ($byDoi !== null && $byWork !== null) {
            $this->bridges[] = [$byDoi, $byWork];
        }

        return $byDoi ?? $byWork;
    }

    public function add(ExactKeys $keys, string $publication): void
    {
        $this->note($keys->doi, $keys->work, $publication);
    }

    /** @return list<array{string, string}> pairs that a record of the batch showed to be one publication */
    public function bridges(): array
    {
        return $this->bridges;
    }

    /** @param  list<string>  $values */
    private static function array(array $values): string
    {
        return '{'.implode(',', array_map(fn (string $value): string => '"'.addcslashes($value, '"\\').'"', $values)).'}';
    }

    private function agree(?string $doi, string $publication): bool
    {
        $own = $this->dois[$publication] ?? [];

        return $doi === null || $own === [] || isset($own[$doi]);
    }

    private function note(?string $doi, ?string $work, string $publication): void
    {
        if ($doi !== null) {
            $this->byDoi[$doi] ??= $publication;
            $this->dois[$publication][$doi] = true;
        }
        if ($work !== null && ! in_array($publication, $this->byWork[$work] ?? [], true)) {
            $this->byWork[$work][] = $publication;
        }
    }
}
