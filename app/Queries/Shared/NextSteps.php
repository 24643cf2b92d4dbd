<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Access\Ability;
use App\Models\Matching;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Matching\LeftToMatch;
use App\Queries\Matching\PairingQueue;
use Illuminate\Support\Str;

/**
 * What a review asks of one person next, in order, from where it stands: the first of them is to be done, the rest
 * follow from it.
 */
final readonly class NextSteps
{
    private const MOST = 2;

    /** @return list<NextStep> */
    public static function for(User $user, Review $review, Waiting $waiting, int $records, int $criteria): array
    {
        $may = fn (Ability $what): bool => $user->roleIn($review)?->may($what) === true;
        $steps = [
            $criteria === 0 && $may(Ability::Manage)
                ? new NextStep('word the question and its criteria', route('question', $review))
                : null,
            $records === 0 && $may(Ability::Search)
                ? new NextStep('search, or deliver files', route('searches', $review))
                : null,
            ...$records > 0 && $may(Ability::Deliver) ? self::ofMatching($review, $user, $records) : [],
            ...self::ofWaiting($review, $waiting),
        ];

        return array_slice(array_values(array_filter($steps)), 0, self::MOST);
    }

    /** @return list<?NextStep> */
    private static function ofMatching(Review $review, User $user, int $records): array
    {
        $left = self::matching($review, $user, $records);

        return [
            self::several('match', $left->records, 'record', route('matching', $review)),
            self::several('judge', $left->groups, 'likely duplicate', route('pairing', $review)),
        ];
    }

    /** @return list<?NextStep> */
    private static function ofWaiting(Review $review, Waiting $waiting): array
    {
        $texts = $waiting->toReadInFull;

        return [
            self::several('screen', $waiting->toScreen, 'title', route('desk', $review)),
            self::several('settle', $waiting->toSettle, 'disagreement', route('disagreements', $review)),
            $texts > 0 ? new NextStep('read '.self::many($texts, 'text').' in full', self::inFull($review)) : null,
            self::several('code', $waiting->toCode, 'study', route('coding', $review)),
        ];
    }

    private static function several(string $do, int $n, string $what, string $url): ?NextStep
    {
        return $n > 0 ? new NextStep("{$do} ".self::many($n, $what), $url) : null;
    }

    private static function many(int $n, string $what): string
    {
        return number_format($n).' '.Str::plural($what, $n);
    }

    private static function inFull(Review $review): string
    {
        $stage = Retrievals::stage($review);

        return $stage === null ? route('full-texts', $review) : route('desk', [$review, 'stage' => $stage->id]);
    }

    private static function matching(Review $review, User $user, int $records): LeftToMatch
    {
        $last = Matching::query()
            ->where('review_id', $review->id)
            ->whereNotNull('finished_at')
            ->orderByDesc('id')
            ->first();
        if ($last === null) {
            return new LeftToMatch($records, 0);
        }

        return new LeftToMatch(max(0, $records - $last->records), PairingQueue::left($last, $user));
    }
}
