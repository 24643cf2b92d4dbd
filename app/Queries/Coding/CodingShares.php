<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Access\Ability;
use App\Models\Membership;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ShareOut\OwnPapers;

/** Who is to code which study, and how far each has come. */
final class CodingShares
{
    /** @return array<string, list<string>> people by study, of studies that are coded */
    public static function byStudy(Review $review): array
    {
        $people = [];
        $rows = DB::table('coding_shares')
            ->where('review_id', $review->id)
            ->whereIn('publication_id', CodedReports::of($review)->select('publication_id'))
            ->orderBy('user_id')
            ->get(['publication_id', 'user_id']);
        foreach ($rows as $row) {
            $people[$row->publication_id][] = $row->user_id;
        }

        return $people;
    }

    /** @return list<ShareStanding> by name, those who have a share */
    public static function standing(Review $review): array
    {
        $given = [];
        foreach (self::byStudy($review) as $study => $people) {
            foreach ($people as $person) {
                $given[$person][] = $study;
            }
        }
        $standing = $codedBy = [];
        $memberships = $review->memberships()->pluck('id', 'user_id');
        foreach (User::query()->whereKey(array_keys($given))->orderBy('name')->get() as $person) {
            $hand = $review->handOf($person);
            $coded = $codedBy[$hand] ??= CodedStudies::ids($review, $hand);
            $standing[] = new ShareStanding(
                $person->id,
                $memberships[$person->id] ?? null,
                $person->name,
                count($given[$person->id]),
                count(array_intersect($given[$person->id], $coded)),
            );
        }

        return $standing;
    }

    /** @return list<string> the studies that are this person's to code: their share, and what is nobody's */
    public static function toCode(Review $review, User $person): array
    {
        $shared = self::byStudy($review);
        $mine = array_filter(
            CodedReports::ids($review),
            fn (string $study): bool => ! isset($shared[$study]) || in_array($person->id, $shared[$study], true),
        );

        return array_values(array_diff($mine, CodedStudies::ids($review, $review->handOf($person))));
    }

    public static function countToCode(Review $review, User $person): int
    {
        // where nothing is shared out, counting does
        return DB::table('coding_shares')->where('review_id', $review->id)->exists()
            ? count(self::toCode($review, $person))
            : max(0, CodedReports::count($review) - CodedStudies::count($review, $review->handOf($person)));
    }

    /** @return Collection<int, User> who may code here, by name */
    public static function coders(Review $review): Collection
    {
        return $review->memberships()
            ->with('user')
            ->get()
            ->filter(fn (Membership $one): bool => $one->role->may(Ability::Code))
            ->map(fn (Membership $one): User => $one->user)
            ->sortBy('name')
            ->values()
            ->toBase();
    }

    /**
     * People who are among the authors of studies: nobody codes their own papers.
     *
     * @param  iterable<User>  $people
     * @param  list<string>  $studies
     * @return array<string, list<string>> people by study
     */
    public static function own(Review $review, iterable $people, array $studies): array
    {
        $own = [];
        $authors = DB::table('publications')->where('review_id', $review->id)->whereIn('id', $studies)->pluck('authors', 'id');
        foreach ($people as $person) {
            foreach ($authors as $study => $names) {
                OwnPapers::isBy($person->name, (string) $names) && ($own[(string) $study][] = $person->id);
            }
        }

        return $own;
    }
}
