<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use App\Models\Record;
use App\Queries\Shared\ReviewState;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
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

    /**
     * The same for a page to show: worked out once, until something in the review changes.
     *
     * @return list<array{publications: list<string>, records: list<string>, score: float}>
     */
    public static function shown(Matching $matching): array
    {
        return Cache::remember(
            'certain groups '.
                md5(
                    json_encode(
                        [$matching->id, $matching->review->match_settings, ReviewState::of($matching->review)],
                        JSON_THROW_ON_ERROR,
                    ),
                ),
            self::SHOWN_FOR,
            fn (): array => self::of($matching),
        );
    }

    /** @return list<array{publications: list<string>, records: list<string>, score: float}> */
    public static function of(Matching $matching): array
    {
        $pairs = DB::table('match_pairs')
            ->join('records AS a', 'a.id', '=', 'match_pairs.record_a')
            ->join('records AS b', 'b.id', '=', 'match_pairs.record_b')
            ->where('match_pairs.review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->where('verdict', MatchVerdict::Certain->value)
            ->where('score', '>=', $matching->review->matchSettings()->certain)
            ->whereNull('a.withdrawn_at')
            ->whereNull('b.withdrawn_at')
            ->whereColumn('a.publication_id', '<>', 'b.publication_id')
            ->whereNotExists(
                fn ($removed) => $removed
                    ->selectRaw('1')
                    ->from('publications')
                    ->whereRaw('publications.id IN (a.publication_id, b.publication_id)')
                    ->whereNotNull('publications.removed_at'),
            )
            ->orderByDesc('score')
            ->orderBy('record_a')
            ->orderBy('record_b')
            ->get(['record_a', 'record_b', 'score', 'a.publication_id AS of_a', 'b.publication_id AS of_b']);
        if ($pairs->isEmpty()) {
            return [];
        }
        $publications = $pairs->pluck('of_a')->merge($pairs->pluck('of_b'))->unique()->sort()->values();
        $fingerprints = new Fingerprints();
        $prints = $of = $places = [];
        foreach ($publications->chunk(2000) as $some) {
            foreach (
                Record::query()
                    ->where('review_id', $matching->review_id)
                    ->whereIn('publication_id', $some)
                    ->orderBy('id')
                    ->get(['id', 'publication_id', 'reference']) as $record
            ) {
                $places[$record->id] = count($prints);
                $of[] = (string) $record->publication_id;
                $prints[] = $fingerprints->of(Reference::fromArray($record->reference), $record->id);
            }
        }
        $ruled = [];
        foreach (MatchInput::ruledDifferent($matching->review_id) as [$a, $b]) {
            if (isset($places[$a], $places[$b])) {
                $ruled[$places[$a]][$places[$b]] = $ruled[$places[$b]][$places[$a]] = true;
            }
        }
        $comparator = new Comparator();
        $clusters = new Clusters(
            fn (int $a, int $b): bool => isset($ruled[$a][$b]) ||
                $comparator->compare($prints[$a], $prints[$b])->contradicts(),
        );
        foreach (array_keys($prints) as $at) {
            $first[$of[$at]] ??= $at;
            $clusters->join($first[$of[$at]], $at, true);
        }
        $weakest = [];
        foreach ($pairs as $pair) {
            if ($clusters->join($places[$pair->record_a], $places[$pair->record_b])) {
                $weakest[$pair->record_a] = min($weakest[$pair->record_a] ?? INF, (float) $pair->score);
            }
        }
        $groups = [];
        foreach ($clusters->groups() as $members) {
            $in = array_values(array_unique(array_map(fn (int $at): string => $of[$at], $members)));
            if (count($in) > 1) {
                $records = array_map(fn (int $at): string => $prints[$at]->key, $members);
                $scores = array_intersect_key($weakest, array_flip($records));
                $groups[] = [
                    'publications' => $in,
                    'records' => $records,
                    'score' => $scores === [] ? 0.0 : min($scores),
                ];
            }
        }

        return $groups;
    }
}
