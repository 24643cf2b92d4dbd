<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Matching\Clusters;
use WaryHeron\Core\Matching\MatchVerdict;

/**
 * The groups of publications that people are asked about, as things stand now; what somebody else has open is left out.
 */
final readonly class PairingQueue
{
    /** Seconds; what others do meanwhile is known after that. */
    private const REMEMBERED = 60;

    /**
     * @param  list<WaitingGroup>  $groups  most likely first, those for later last
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
        $groups = self::groups(self::asked($matching));
        $claimed = self::claimedByOthers($matching, $user);
        $isFree = fn (WaitingGroup $one): bool => array_intersect_key(array_flip($one->publications), $claimed) === [];
        $free = self::inOrder(array_filter($groups, $isFree));

        // pages that only name the number need not look for it again
        Cache::put(self::leftKey($matching, $user), count($free), self::REMEMBERED);

        return new self($free, count($groups) - count($free));
    }

    /**
     * @param  array<WaitingGroup>  $groups
     * @return list<WaitingGroup> the likeliest first, those that were put off last
     */
    private static function inOrder(array $groups): array
    {
        $order = fn (WaitingGroup $group): array => [$group->later, -$group->score, $group->key];
        usort($groups, fn (WaitingGroup $x, WaitingGroup $y): int => $order($x) <=> $order($y));

        return $groups;
    }

    /** @return Collection<int, stdClass> pairs of publications that nobody has ruled on, or only for later */
    private static function asked(Matching $matching): Collection
    {
        $settings = $matching->review->matchSettings();
        $isJoined = DB::table('joins')
            ->where('review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->exists();

        return OpenPairs::of($matching)
            ->leftJoin('rulings', fn ($join) => $join
                ->on('rulings.review_id', '=', 'match_pairs.review_id')
                ->on('rulings.record_a', '=', 'match_pairs.record_a')
                ->on('rulings.record_b', '=', 'match_pairs.record_b')
                ->whereNull('rulings.superseded_at'))
            ->where('score', '>=', $settings->ask)
            ->where('verdict', '<>', MatchVerdict::Apart->value)
            // what is certain is joined without asking; what is left of it then, something speaks against
            ->unless($isJoined, fn ($pairs) => $pairs->where(fn ($any) => $any
                ->where('verdict', '<>', MatchVerdict::Certain->value)
                ->orWhere('score', '<', $settings->certain)))
            ->where(fn ($any) => $any->whereNull('rulings.ruling')->orWhere('rulings.ruling', 'later'))
            ->get(['a.publication_id AS a', 'b.publication_id AS b', 'score', 'rulings.ruling']);
    }

    /**
     * @param  Collection<int, stdClass>  $pairs  best first
     * @return array<string, WaitingGroup> by key
     */
    private static function groups(Collection $pairs): array
    {
        $keyOf = self::keys($pairs);
        $groups = [];
        foreach ($pairs as $pair) {
            $key = $keyOf[$pair->a];
            $group = $groups[$key] ?? new WaitingGroup($key, [], (float) $pair->score, true);
            $groups[$key] = $group->with($pair->a, $pair->b, $pair->ruling === 'later');
        }

        return $groups;
    }

    /**
     * @param  Collection<int, \stdClass>  $pairs
     * @return array<string, string> for each publication, one that names its group
     */
    private static function keys(Collection $pairs): array
    {
        $places = $pairs->pluck('a')->merge($pairs->pluck('b'))->unique()->sort()->values()->flip();
        $clusters = new Clusters(fn (): bool => false);
        foreach ($pairs as $pair) {
            $clusters->join($places[$pair->a], $places[$pair->b], true);
        }
        $keyOf = [];
        $ids = $places->flip();
        foreach ($clusters->groups() as $members) {
            $keyOf += array_fill_keys(array_map(fn (int $at): string => $ids[$at], $members), $ids[$members[0]]);
        }

        return $keyOf;
    }

    /** @return array<string, int> by publication */
    private static function claimedByOthers(Matching $matching, User $user): array
    {
        return DB::table('claims')
            ->join('records', 'records.id', '=', 'claims.record_id')
            ->whereColumn('records.review_id', 'claims.review_id')
            ->where('claims.review_id', $matching->review_id)
            ->where('claims.user_id', '<>', $user->id)
            ->where('until', '>', now())
            ->pluck('records.publication_id')
            ->flip()
            ->all();
    }

    /** This group, or the first but the one to skip. */
    public function pick(?string $key, string $skip = ''): ?WaitingGroup
    {
        foreach ($this->groups as $group) {
            if (in_array($key ?? $skip, $group->publications, true) === ($key !== null)) {
                return $group;
            }
        }

        return null;
    }
}
