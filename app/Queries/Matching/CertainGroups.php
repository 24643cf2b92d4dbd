<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use App\Models\Record;
use App\Queries\Shared\ReviewStamp;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Clusters;
use WaryHeron\Core\Matching\Comparator;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Matching\MatchVerdict;

/**
 * What would be joined without asking, as things stand now: groups of publications, each with the weakest bond that
 * holds it.
 */
final class CertainGroups
{
    private const SHOWN_FOR = 3600;

    private const AT_ONCE = 2000;

    /**
     * The same for a page to show: worked out once, until something in the review changes.
     *
     * @return list<CertainGroup>
     */
    public static function shown(Matching $matching): array
    {
        return Cache::remember(
            'groups that are certain '.
                md5(
                    json_encode(
                        [$matching->id, $matching->review->match_settings, ReviewStamp::of($matching->review)],
                        JSON_THROW_ON_ERROR,
                    ),
                ),
            self::SHOWN_FOR,
            fn (): array => self::of($matching),
        );
    }

    /** @return list<CertainGroup> */
    public static function of(Matching $matching): array
    {
        $pairs = self::pairs($matching);
        if ($pairs->isEmpty()) {
            return [];
        }
        $records = self::prints($matching, $pairs->pluck('of_a')->merge($pairs->pluck('of_b'))->unique());
        $places = $records->places();
        $clusters = self::clusters($matching, $records, $places);
        $weakest = [];
        foreach ($pairs as $pair) {
            if ($clusters->join($places[$pair->record_a], $places[$pair->record_b])) {
                $weakest[$pair->record_a] = min($weakest[$pair->record_a] ?? INF, (float) $pair->score);
            }
        }

        return self::groups($clusters, $records, $weakest);
    }

    /** @return Collection<int, \stdClass> the certain ones that nobody has ruled on */
    private static function pairs(Matching $matching): Collection
    {
        return OpenPairs::of($matching)
            ->where('verdict', MatchVerdict::Certain->value)
            ->where('score', '>=', $matching->review->matchSettings()->certain)
            ->get(['record_a', 'record_b', 'score', 'a.publication_id AS of_a', 'b.publication_id AS of_b']);
    }

    /** @param  Collection<int, mixed>  $publications  of whose records */
    private static function prints(Matching $matching, Collection $publications): RecordPrints
    {
        $fingerprints = new Fingerprints();
        $prints = $of = [];
        foreach ($publications->sort()->values()->chunk(self::AT_ONCE) as $some) {
            $records = Record::query()
                ->where('review_id', $matching->review_id)
                ->whereIn('publication_id', $some)
                ->orderBy('id')
                ->get(['id', 'publication_id', 'reference']);
            foreach ($records as $record) {
                $of[] = (string) $record->publication_id;
                $prints[] = $fingerprints->of(Reference::fromArray($record->reference), $record->id);
            }
        }

        return new RecordPrints($prints, $of);
    }

    /**
     * @param  array<string, int>  $places
     * @return array<int, array<int, true>> places of records that a person said are of two publications, both ways
     */
    private static function ruled(Matching $matching, array $places): array
    {
        $ruled = [];
        foreach (MatchInput::ruledDifferent($matching->review_id) as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $ruled[$places[$a]][$places[$b]] = $ruled[$places[$b]][$places[$a]] = true;
            }
        }

        return $ruled;
    }

    /**
     * The records of each publication together, and nothing joined yet.
     *
     * @param  array<string, int>  $places
     */
    private static function clusters(Matching $matching, RecordPrints $records, array $places): Clusters
    {
        $ruled = self::ruled($matching, $places);
        [$comparator, $prints] = [new Comparator(), $records->prints];
        $clusters = new Clusters(
            fn (int $a, int $b): bool => isset($ruled[$a][$b]) ||
                $comparator->compare($prints[$a], $prints[$b])->contradicts(),
        );
        $first = [];
        foreach ($records->of as $at => $publication) {
            $first[$publication] ??= $at;
            $clusters->join($first[$publication], $at, true);
        }

        return $clusters;
    }

    /**
     * @param  array<string, float>  $weakest  bits of the weakest bond, by its first record
     * @return list<CertainGroup>
     */
    private static function groups(Clusters $clusters, RecordPrints $of, array $weakest): array
    {
        $groups = [];
        foreach ($clusters->groups() as $members) {
            $publications = array_values(array_unique(array_map(fn (int $at): string => $of->of[$at], $members)));
            if (count($publications) > 1) {
                $records = array_map(fn (int $at): string => $of->prints[$at]->key, $members);
                $scores = array_intersect_key($weakest, array_flip($records));
                $score = $scores === [] ? 0.0 : min($scores);
                $groups[] = new CertainGroup($publications, $records, $score);
            }
        }

        return $groups;
    }
}
