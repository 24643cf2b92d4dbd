<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Comparator;
use WaryHeron\Core\Matching\ExactKeys;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\MatchVerdict;
use WaryHeron\Core\Matching\Weights;

/**
 * The publications that the records of a batch belong to beyond doubt: they share a DOI or title, year and first
 * author, the place of publication confirms it, and no record of the publication speaks against it. Everything else
 * is left to matching.
 */
final class PublicationIndex
{
    /** @var array<string, list<string>> publications by key */
    private array $byKey = [];

    /** @var array<string, list<Reference>> what each publication is known by */
    private array $references = [];

    /** @var \WeakMap<Reference, Fingerprint> made when asked for: most of what arrives shares its keys with nothing */
    private readonly \WeakMap $prints;

    private readonly Comparator $comparator;

    private readonly Judge $judge;

    private readonly Fingerprints $fingerprints;

    private function __construct()
    {
        $this->prints = new \WeakMap();
        $this->fingerprints = new Fingerprints();
        $this->comparator = new Comparator();
        $this->judge = new Judge(Weights::starting(), new MatchSettings());
    }

    /** @param  array<ExactKeys>  $keys */
    public static function forKeys(string $reviewId, array $keys): self
    {
        $known = new self();
        $dois = array_values(array_unique(array_filter(array_map(fn (ExactKeys $k): ?string => $k->doi, $keys))));
        $works = array_values(array_unique(array_filter(array_map(fn (ExactKeys $k): ?string => $k->work, $keys))));
        foreach (self::records($reviewId, self::publications($reviewId, $dois, $works)) as $row) {
            $known->note(
                $row->separated_at === null ? [$row->doi_key, $row->work_key] : [],
                Reference::fromArray(json_decode($row->reference, true)),
                $row->publication_id,
            );
        }

        return $known;
    }

    /**
     * In two steps and with arrays: joined in one, a planner without statistics reads the whole table for every batch.
     *
     * @param  list<string>  $dois
     * @param  list<string>  $works
     * @return list<string>
     */
    private static function publications(string $reviewId, array $dois, array $works): array
    {
        return array_column(
            DB::select(
                <<<'SQL'
                SELECT publication_id FROM records WHERE review_id = ? AND separated_at IS NULL AND publication_id IS NOT NULL AND doi_key = ANY (?::text[])
                UNION SELECT publication_id FROM records WHERE review_id = ? AND separated_at IS NULL AND publication_id IS NOT NULL AND work_key = ANY (?::text[])
                SQL,
                [$reviewId, self::array($dois), $reviewId, self::array($works)],
            ),
            'publication_id',
        );
    }

    /**
     * @param  list<string>  $publications
     * @return list<\stdClass>
     */
    private static function records(string $reviewId, array $publications): array
    {
        return $publications === [] ? [] : array_values(DB::select(
            <<<'SQL'
            SELECT id, publication_id, doi_key, work_key, reference, separated_at FROM records
            WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) ORDER BY publication_id, id
            SQL,
            [$reviewId, self::array($publications)],
        ));
    }

    public function find(ExactKeys $keys, Reference $reference): ?string
    {
        foreach ([$keys->doi, $keys->work] as $key) {
            foreach ($key === null ? [] : $this->byKey[$key] ?? [] as $candidate) {
                if ($this->belongs($this->print($reference), $this->references[$candidate])) {
                    return $candidate;
                }
            }
        }

        return null;
    }

    public function add(ExactKeys $keys, Reference $reference, string $publication): void
    {
        $this->note([$keys->doi, $keys->work], $reference, $publication);
    }

    private function print(Reference $reference): Fingerprint
    {
        return $this->prints[$reference] ??= $this->fingerprints->of($reference, '');
    }

    /** @param  list<string>  $values */
    private static function array(array $values): string
    {
        return '{'.
            implode(',', array_map(fn (string $value): string => '"'.addcslashes($value, '"\\').'"', $values)).
            '}';
    }

    /** @param  list<Reference>  $others */
    private function belongs(Fingerprint $print, array $others): bool
    {
        $certain = false;
        foreach ($others as $other) {
            $comparison = $this->comparator->compare($print, $this->print($other));
            if ($comparison->contradicts()) {
                return false;
            }
            // any title may come again, as far as is known yet
            $certain =
                $certain ||
                $this->judge->verdict($comparison, $this->judge->score($comparison), true) === MatchVerdict::Certain;
        }

        return $certain;
    }

    /** @param  list<?string>  $keys */
    private function note(array $keys, Reference $reference, string $publication): void
    {
        foreach (array_filter($keys, fn (?string $key): bool => $key !== null) as $key) {
            if (! in_array($publication, $this->byKey[$key] ?? [], true)) {
                $this->byKey[$key][] = $publication;
            }
        }
        $this->references[$publication][] = $reference;
    }
}
