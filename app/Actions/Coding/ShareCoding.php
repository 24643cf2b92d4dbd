<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\TellPeople;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use App\Notices\NoticeKind;
use App\Queries\Coding\CodedStudies;
use App\Queries\Coding\CodingShareDraft;
use App\Queries\Coding\CodingShares;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\ShareOut;

/** Shares studies out among coders, hands a share on, and takes one back. What was coded stays with whoever coded it. */
final readonly class ShareCoding
{
    public function __construct(private WriteLog $log, private TellPeople $tell)
    {
    }

    /**
     * @param  array<string, float>  $weights  by coder
     * @param  int  $expected  how many studies the preview said
     *
     * @throws Refused If it cannot be shared so, or is something else by now.
     */
    public function give(User $by, Review $review, array $weights, int $seed, int $expected): void
    {
        $review->whileLocked(function () use ($by, $review, $weights, $seed, $expected): void {
            $draft = CodingShareDraft::of($review, $weights, $seed);
            if ($draft->plan === null) {
                throw new Refused($draft->problem);
            }
            if (count($draft->studies) !== $expected) {
                throw new Refused('The studies to share out are others by now. Look at the preview again.');
            }
            $this->keep($by, $review, $draft->plan->people, 'Shared out '.count($draft->studies).' studies for coding');
        });
    }

    /**
     * What of a person's share they have not coded in full, to others.
     *
     * @param  list<string>  $to
     *
     * @throws Refused If nobody of them may have it.
     */
    public function handOn(User $by, Review $review, User $from, array $to): int
    {
        return $review->whileLocked(function () use ($by, $review, $from, $to): int {
            $coders = CodingShares::coders($review)->whereIn('id', array_values(array_diff($to, [$from->id])));
            $open = $this->open($review, $from);
            if ($coders->isEmpty() || $open === []) {
                throw new Refused($open === [] ? 'Nothing of this share is left to hand on.' : 'Choose who is to have it.');
            }
            $people = array_values($coders->map(fn (User $one): string => $one->id)->all());
            $taken = array_merge_recursive(CodingShares::byStudy($review), CodingShares::own($review, $coders, $open));
            try {
                $plan = ShareOut::handOn($open, $people ?: [''], $taken);
            } catch (CannotShare $cannot) {
                throw new Refused($cannot->getMessage());
            }
            $this->remove($review, $from, $open);
            $words = 'Handed '.count($open)." studies of {$from->name} on to others for coding";
            $this->keep($by, $review, $plan->people, $words);

            return count($open);
        });
    }

    /** @return int how many studies nobody has now, or one less has */
    public function takeBack(User $by, Review $review, User $from): int
    {
        return $review->whileLocked(function () use ($by, $review, $from): int {
            $open = $this->open($review, $from);
            $this->remove($review, $from, $open);
            ($this->log)(
                $review,
                $by,
                'coding.share',
                'Took '.count($open)." studies back from the share of {$from->name}",
                $from,
            );

            return count($open);
        });
    }

    /** @return list<string> studies of a share that are not coded in full */
    private function open(Review $review, User $of): array
    {
        $mine = array_keys(array_filter(
            CodingShares::byStudy($review),
            fn (array $people): bool => in_array($of->id, $people, true),
        ));

        return array_values(
            array_diff(array_map(strval(...), $mine), CodedStudies::ids($review, $review->handOf($of))),
        );
    }

    /** @param  list<string>  $studies */
    private function remove(Review $review, User $of, array $studies): void
    {
        DB::table('coding_shares')
            ->where('review_id', $review->id)
            ->where('user_id', $of->id)
            ->whereIn('publication_id', $studies)
            ->delete();
    }

    /** @param  array<string, list<string>>  $people  by study */
    private function keep(User $by, Review $review, array $people, string $words): void
    {
        $rows = [];
        $given = ['review_id' => $review->id, 'given_by' => $by->id, 'created_at' => now()];
        foreach ($people as $study => $who) {
            foreach ($who as $person) {
                $rows[] = ['publication_id' => $study, 'user_id' => $person] + $given;
            }
        }
        foreach (array_chunk($rows, 1000) as $part) {
            DB::table('coding_shares')->insertOrIgnore($part);
        }
        $told = array_values(array_unique(array_column($rows, 'user_id')));
        ($this->log)($review, $by, 'coding.share', $words, $review, ['people' => $told]);
        $this->tellOf($review, array_values(array_diff($told, [$by->id])));
    }

    /** @param  list<string>  $people */
    private function tellOf(Review $review, array $people): void
    {
        ($this->tell)(
            $people,
            NoticeKind::ShareReady,
            $review,
            'Your share of the studies to code is ready',
            route('coding', [$review->id, 'whose' => 'mine'], false),
        );
    }
}
