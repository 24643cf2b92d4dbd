<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Access\Ability;
use App\Models\Matching;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Matching\PairingQueue;

/**
 * What a review asks of one person next, in order, from where it stands: the first of them is to be done, the rest
 * follow from it.
 */
final readonly class NextSteps
{
    private const MOST = 2;

    /** @return list<array{words: string, url: string}> */
    public static function for(User $user, Review $review, Waiting $waiting, int $records, int $criteria): array
    {
        $role = $user->roleIn($review);
        $may = fn (Ability $ability): bool => $role?->may($ability) === true;
        $steps = [];
        $add = function (bool $is, string $words, string $url) use (&$steps): void {
            if ($is) {
                $steps[] = ['words' => $words, 'url' => $url];
            }
        };
        $many = fn (int $n, string $one, string $more): string => number_format($n).' '.($n === 1 ? $one : $more);
        $add(
            $criteria === 0 && $may(Ability::Manage),
            'word the question and its criteria',
            route('question', $review),
        );
        $add($records === 0 && $may(Ability::Search), 'search, or deliver files', route('searches', $review));
        if ($records > 0 && $may(Ability::Deliver)) {
            [$unmatched, $groups] = self::matching($review, $user, $records);
            $add($unmatched > 0, 'match '.$many($unmatched, 'record', 'records'), route('matching', $review));
            $add(
                $groups > 0,
                'judge '.$many($groups, 'likely duplicate', 'likely duplicates'),
                route('pairing', $review),
            );
        }
        $add($waiting->toScreen > 0, 'screen '.$many($waiting->toScreen, 'title', 'titles'), route('desk', $review));
        $add(
            $waiting->toSettle > 0,
            'settle '.$many($waiting->toSettle, 'disagreement', 'disagreements'),
            route('disagreements', $review),
        );
        $add(
            $waiting->toReadInFull > 0,
            'read '.$many($waiting->toReadInFull, 'text', 'texts').' in full',
            self::inFull($review),
        );
        $add($waiting->toCode > 0, 'code '.$many($waiting->toCode, 'study', 'studies'), route('coding', $review));

        return array_slice($steps, 0, self::MOST);
    }

    private static function inFull(Review $review): string
    {
        $stage = Retrievals::stage($review);

        return $stage === null ? route('full-texts', $review) : route('desk', [$review, 'stage' => $stage->id]);
    }

    /** @return array{int, int} records that no comparison has seen yet, and groups that wait for a person */
    private static function matching(Review $review, User $user, int $records): array
    {
        $last = Matching::query()
            ->where('review_id', $review->id)
            ->whereNotNull('finished_at')
            ->orderByDesc('id')
            ->first();
        if ($last === null) {
            return [$records, 0];
        }

        return [max(0, $records - $last->records), PairingQueue::left($last, $user)];
    }
}
