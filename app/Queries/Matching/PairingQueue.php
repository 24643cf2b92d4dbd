<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Matching\MatchVerdict;

/**
 * The groups of publications that people are asked about, as things stand now; what somebody else has open is left out.
 */
final readonly class PairingQueue
{
    /** Seconds; what others do meanwhile is known after that. */
    private const REMEMBERED = 60;

    /**
     * @param  list<array{key: string, publications: list<string>, score: float, later: bool}>  $groups most likely
     *     first, those for later last
     */
    private function __construct(public array $groups, public int $claimed)
    {
    }

    /** How many groups wait for this person, as was last seen. */
    public static function left(Matching $matching, User $user): int
    {
        $left = Cache::get(self::leftKey($matching, $user));

        return is_int($left) ? $left : count(self::of($matching, $user)->groups);
    }

    private static function leftKey(Matching $matching, User $user): string
    {
        return "pairing left {$matching->id} {$user->id}";
    }

    public static function of(Matching $matching, User $user): self
    {
        $settings = $matching->review->matchSettings();
        $joined = DB::table('joins')
            ->where('review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->exists();
        $pairs = DB::table('match_pairs')
            ->join('records AS a', 'a.id', '=', 'match_pairs.record_a')
            ->join('records AS b', 'b.id', '=', 'match_pairs.record_b')
            ->leftJoin(
                'rulings',
                fn ($join) => $join
                    ->on('rulings.review_id', '=', 'match_pairs.review_id')
                    ->on('rulings.record_a', '=', 'match_pairs.record_a')
                    ->on('rulings.record_b', '=', 'match_pairs.record_b')
                    ->whereNull('rulings.superseded_at'),
            )
            ->where('match_pairs.review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->where('score', '>=', $settings->ask)
            ->where('verdict', '<>', MatchVerdict::Apart->value)
            ->where(
                fn ($any) => $any
                    ->where('verdict', '<>', MatchVerdict::Certain->value)
                    ->orWhere('score', '<', $settings->certain)
                    ->when($joined, fn ($q) => $q->orWhereRaw('true')),
            )
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
            ->where(fn ($any) => $any->whereNull('rulings.ruling')->orWhere('rulings.ruling', 'later'))
            ->orderByDesc('score')
            ->orderBy('match_pairs.record_a')
            ->get(['a.publication_id AS a', 'b.publication_id AS b', 'score', 'rulings.ruling']);
        /** @var array<string, string> $parent */
        $parent = [];
        $root = function (string $id) use (&$parent): string {
            for ($at = $id; ($parent[$at] ?? $at) !== $at; $at = $parent[$at]);

            return $at;
        };
        foreach ($pairs as $pair) {
            $parent += [$pair->a => $pair->a, $pair->b => $pair->b];
            [$a, $b] = [$root($pair->a), $root($pair->b)];
            $parent[max($a, $b)] = min($a, $b);
        }
        $groups = [];
        foreach ($pairs as $pair) {
            $key = $root($pair->a);
            $groups[$key] ??= ['key' => $key, 'publications' => [], 'score' => (float) $pair->score, 'later' => true];
            $groups[$key]['publications'] = array_values(
                array_unique([...$groups[$key]['publications'], $pair->a, $pair->b]),
            );
            $groups[$key]['later'] = $groups[$key]['later'] && $pair->ruling === 'later';
        }
        $claims = DB::table('claims')
            ->join('records', 'records.id', '=', 'claims.record_id')
            ->where('claims.review_id', $matching->review_id)
            ->where('claims.user_id', '<>', $user->id)
            ->where('until', '>', now())
            ->pluck('records.publication_id')
            ->flip()
            ->all();
        $free = array_filter(
            $groups,
            fn (array $group): bool => array_intersect_key(array_flip($group['publications']), $claims) === [],
        );
        usort(
            $free,
            fn (array $x, array $y): int => [$x['later'], -$x['score'], $x['key']] <=> [
                $y['later'],
                -$y['score'],
                $y['key'],
            ],
        );

        // pages that only name the number need not look for it again
        Cache::put(self::leftKey($matching, $user), count($free), self::REMEMBERED);

        return new self($free, count($groups) - count($free));
    }

    /**
     * @return ?array{key: string, publications: list<string>, score: float, later: bool} this group, or the first but
     *     those to skip
     */
    public function pick(?string $key, string $skip = ''): ?array
    {
        foreach ($this->groups as $group) {
            if (
                $key !== null
                    ? in_array($key, $group['publications'], true)
                    : ! in_array($skip, $group['publications'], true)
            ) {
                return $group;
            }
        }

        return null;
    }
}
