<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Divides items among people: each item gets the required number of different people, quotas are met exactly, and
 * every two people meet on as many items as their quotas let expect. The same seed and items give the same plan.
 *
 * One item after the other takes whoever has most of their quota left in proportion, then the partners they have met
 * least often for what is to be expected. Whoever still needs all items that are left is taken first; as no quota is
 * above the number of items, this never runs into a dead end.
 */
final class ShareOut
{
    /**
     * A random sample in random order.
     *
     * @param  list<string>  $items  in an order that can be had again
     * @return list<string>
     */
    public static function sample(array $items, int $size, int $seed): array
    {
        return array_slice((new Randomizer(new Xoshiro256StarStar($seed)))->shuffleArray($items), 0, max(0, $size));
    }

    /**
     * @param  list<string>  $items  in an order that can be had again
     * @param  array<string, list<string>>  $taken  people who have to do with an item already, by item; they are not
     *     given it again
     *
     * @throws CannotShare If an item cannot get enough people.
     */
    public static function plan(array $items, Quotas $quotas, int $seed, array $taken = []): Plan
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $people = $random->shuffleArray(
            array_map(strval(...), array_keys(array_filter($quotas->byPerson, fn (int $n): bool => $n > 0))),
        );
        $places = array_flip($people);
        $quota = array_map(fn (string $person): int => $quotas->byPerson[$person], $people);
        $left = $quota;
        $met = array_fill(0, count($people), array_fill(0, count($people), 0));
        $order = $random->shuffleArray($items);
        // those that not everybody may have come first, while there is choice
        usort($order, fn (string $a, string $b): int => count($taken[$b] ?? []) <=> count($taken[$a] ?? []));
        $chosen = [];
        $share = array_fill(0, count($people), 1.0);
        $all = count($items);
        $slack = 0;
        foreach ($order as $done => $item) {
            $barred = isset($taken[$item])
                ? array_fill_keys(array_intersect_key($places, array_flip($taken[$item])), true)
                : [];
            $needed = [];
            // nobody can need every item before the items have become so few, and each step brings that nearer by one
            if ($slack-- <= 0) {
                $needed = array_keys(array_filter($left, fn (int $n): bool => $n >= $all - $done));
                $slack = $all - $done - max([0, ...$left]) - 1;
            }
            $team = self::team($quotas->decisions, $needed, $quota, $left, $share, $met, $barred);
            if (count($team) < $quotas->decisions) {
                throw self::stuck($items, count($people), $quotas->decisions, $taken);
            }
            foreach ($team as $a) {
                $left[$a]--;
                $share[$a] = $left[$a] / $quota[$a];
                foreach ($team as $b) {
                    $met[$a][$b]++;
                }
            }
            $chosen[$item] = array_map(fn (int $at): string => $people[$at], $team);
        }

        return new Plan(array_replace(array_fill_keys($items, []), $chosen));
    }

    /**
     * @param  list<string>  $items
     * @param  array<string, list<string>>  $taken
     */
    private static function stuck(array $items, int $people, int $decisions, array $taken): CannotShare
    {
        $lacks = fn (string $one): bool => $people - count($taken[$one] ?? []) < $decisions;
        $stuck = count(array_filter($items, $lacks));

        return new CannotShare(
            $stuck > 0
                ? "{$stuck} items have been judged by, or given to, so many of these people that not enough others are "
                    .'left. Choose more people, or leave those items out.'
                : 'The quotas cannot be met exactly, since some items have people already. Share evenly, or choose '
                    .'more people.',
        );
    }

    /**
     * Gives each item to one more person, as evenly as who may have which allows.
     *
     * @param  list<string>  $items
     * @param  non-empty-list<string>  $people
     * @param  array<string, list<string>>  $taken  people who have to do with an item already, by item
     *
     * @throws CannotShare If nobody of them may have an item.
     */
    public static function handOn(array $items, array $people, array $taken): Plan
    {
        $may = [];
        foreach ($items as $item) {
            $may[$item] = array_values(array_diff($people, $taken[$item] ?? []));
        }
        $stuck = count(array_filter($may, fn (array $who): bool => $who === []));
        if ($stuck > 0) {
            throw new CannotShare(
                "{$stuck} of ".
                    count($items).
                    ' items have been judged by, or given to, everybody chosen. Choose more people.',
            );
        }
        uasort($may, fn (array $a, array $b): int => count($a) <=> count($b));
        $load = array_fill_keys($people, 0);
        $plan = [];
        foreach ($may as $item => $who) {
            usort($who, fn (string $a, string $b): int => $load[$a] <=> $load[$b]);
            $plan[$item] = [$who[0]];
            $load[$who[0]]++;
        }

        return new Plan($plan);
    }

    /**
     * Lists that the people of a group share: everybody in it judges all of it.
     *
     * @param  list<string>  $items  in an order that can be had again
     * @param  non-empty-list<list<string>>  $groups
     */
    public static function inGroups(array $items, array $groups, int $seed): Plan
    {
        $plan = array_fill_keys($items, []);
        foreach ((new Randomizer(new Xoshiro256StarStar($seed)))->shuffleArray($items) as $i => $item) {
            $plan[$item] = $groups[$i % count($groups)];
        }

        return new Plan($plan);
    }

    /**
     * Those who need every item that is left come first; then whoever has most of their quota to go, and then whoever
     * has met those chosen least.
     *
     * @param  list<int>  $needed  who needs every item that is left
     * @param  list<int>  $quota
     * @param  array<int, int>  $left  of each quota
     * @param  array<int, float>  $share  of each quota that is left
     * @param  array<int, array<int, int>>  $met
     * @param  array<int, true>  $barred
     * @return list<int>
     */
    private static function team(
        int $size,
        array $needed,
        array $quota,
        array $left,
        array $share,
        array $met,
        array $barred,
    ): array {
        $team = [];
        foreach ($needed as $person) {
            if (! isset($barred[$person]) && count($team) < $size) {
                $team[] = $person;
            }
        }
        $out = $barred + array_fill_keys($team, true);
        while (count($team) < $size) {
            $best = null;
            $fewest = INF;
            $most = 0.0;
            foreach ($share as $person => $to) {
                // nothing has been met yet, so that only what is left of the quota counts
                if (($team === [] && $to <= $most) || $left[$person] <= 0 || isset($out[$person])) {
                    continue;
                }
                $meetings = 0.0;
                foreach ($team as $other) {
                    $meetings += $met[$other][$person] / ($quota[$person] * $quota[$other]);
                }
                if ($meetings < $fewest || ($meetings === $fewest && $to > $most)) {
                    [$best, $fewest, $most] = [$person, $meetings, $to];
                }
            }
            if ($best === null) {
                break;
            }
            $team[] = $best;
            $out[$best] = true;
        }

        return $team;
    }
}
