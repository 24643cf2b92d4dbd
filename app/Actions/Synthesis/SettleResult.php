<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\User;
use App\Queries\Synthesis\CodedTwice;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Says which numbers count where two coders differ: those of one of them, or others. Both keep their own. */
final readonly class SettleResult
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<string>  $rows  of the coders: of both, or of the one who has taken it
     * @param  string  $taken  whose
     *
     * @throws Refused If they are not open any more.
     */
    public function take(User $by, Review $review, Publication $publication, array $rows, string $taken): Result
    {
        return $this->settle($by, $review, $publication, $rows, fn (Collection $sides): Result => $sides
            ->firstWhere('row_id', $taken) ?? throw new Refused('That result was changed meanwhile. It is shown now as it is.'));
    }

    /**
     * As one of them has it, with other numbers, resting on what both had marked.
     *
     * @param  list<string>  $rows
     * @param  array<string, string>  $given  by field
     *
     * @throws Refused If they are not open any more.
     */
    public function otherwise(User $by, Review $review, Publication $publication, array $rows, array $given): Result
    {
        return $this->settle($by, $review, $publication, $rows, function (Collection $sides) use ($given): Result {
            $side = $sides->firstOrFail();
            $known = array_flip(array_column([...$side->form->fields(), ...$side->design->fields()], 'key'));

            return $side->replicate()->fill(['given' => array_intersect_key($given, $known)]);
        });
    }

    /** Whoever looked for the other found none: it does not count, and is not asked again. */
    public function leave(User $by, Review $review, Publication $publication, string $row): void
    {
        DB::transaction(function () use ($by, $review, $publication, $row): void {
            $sides = $this->sides($review, $publication, [$row]);
            CountAgreedResults::withdraw($by, $sides->firstOrFail());
            ($this->log)($review, $by, 'result.left', "Left out a result of “{$publication->title}” that one coder took", $publication);
        });
    }

    /**
     * @param  list<string>  $rows
     * @param  \Closure(Collection<int, Result>): Result  $taken
     */
    private function settle(User $by, Review $review, Publication $publication, array $rows, \Closure $taken): Result
    {
        return DB::transaction(function () use ($by, $review, $publication, $rows, $taken): Result {
            $sides = $this->sides($review, $publication, $rows);
            $result = $taken($sides)->replicate(['created_at', 'superseded_at', 'user'])->fill([
                ...CountAgreedResults::resting($sides),
                'how' => CountAgreedResults::SETTLED,
                'user_id' => $by->id,
            ]);
            $result->save();
            ($this->log)(
                $review,
                $by,
                'result.settled',
                "Settled a result of “{$publication->title}”",
                $publication,
                ['given' => $result->given],
            );

            return $result;
        });
    }

    /**
     * @param  list<string>  $rows
     * @return Collection<int, Result>
     *
     * @throws Refused
     */
    private function sides(Review $review, Publication $publication, array $rows): Collection
    {
        $publication->lock();
        sort($rows);
        foreach (CodedTwice::of($review, [$publication->id])->open() as $open) {
            if ($open->pair->ids() === $rows) {
                return $open->sides;
            }
        }
        throw new Refused('This was changed or settled meanwhile. What is open now is shown.');
    }
}
