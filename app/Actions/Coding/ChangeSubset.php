<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\DepthSubset;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Subset;

/** Says which studies the in-depth pass goes to: by a rule, by hand, or all. What was answered of others is kept. */
final readonly class ChangeSubset
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  ?list<AskedWhen>  $rule  null for all studies; none: by hand only
     * @param  bool  $follows  whether the list follows the rule by itself
     */
    public function define(User $by, Review $review, ?array $rule, bool $follows): void
    {
        DB::transaction(function () use ($by, $review, $rule, $follows): void {
            $review = $review->locked();
            $kept = fn (AskedWhen $one): array => ['item' => $one->item, 'answers' => $one->answers];
            $rules = $rule === null ? null : array_map($kept, $rule);
            $review->update(['depth_rule' => $rules, 'depth_follows' => $follows]);
            $this->rows($review)->where('how', Subset::RULE)->delete();
            if ($rule !== null && ! $follows) {
                $this->list($by, $review, DepthSubset::of($review)->changes()->join, Subset::RULE);
            }
            $words = 'The in-depth pass goes to '.DepthSubset::of($review)->words();
            ($this->log)($review, $by, 'coding.depth', $words, $review);
        });
    }

    /** Takes over what the rule would change of the list. */
    public function followOnce(User $by, Review $review): void
    {
        $review->whileLocked(function () use ($by, $review): void {
            $changes = DepthSubset::of($review)->changes();
            $this->list($by, $review, $changes->join, Subset::RULE);
            $this->rows($review)->whereIn('publication_id', $changes->leave)->delete();
            $words = self::studies($changes->join).' joined the in-depth subset, '.count($changes->leave).' left it';
            ($this->log)($review, $by, 'coding.depth', $words, $review, get_object_vars($changes));
        });
    }

    /**
     * @param  list<string>  $studies
     * @param  bool  $isIn  put there, or left out
     *
     * @throws Refused If all are in it, of which none can be left out by hand.
     */
    public function byHand(User $by, Review $review, array $studies, bool $isIn): void
    {
        DB::transaction(function () use ($by, $review, $studies, $isIn): void {
            $review = $review->locked();
            if ($review->depth_rule === null) {
                $isIn || throw new Refused('All studies go on. Say first which do, by their answers or by hand.');
                $review->update(['depth_rule' => []]);
            }
            $this->rows($review)->whereIn('publication_id', $studies)->delete();
            [$how, $done] = $isIn ? [Subset::HAND, 'put into'] : [Subset::OUT, 'left out of'];
            $this->list($by, $review, $studies, $how);
            $words = self::studies($studies)." {$done} the in-depth subset by hand";
            ($this->log)($review, $by, 'coding.depth', $words, $review, ['studies' => $studies]);
        });
    }

    /** @param  list<string>  $studies */
    private static function studies(array $studies): string
    {
        return count($studies).' '.Str::plural('study', count($studies));
    }

    private function rows(Review $review): Builder
    {
        return DB::table('depth_studies')->where('review_id', $review->id);
    }

    /** @param  list<string>  $studies */
    private function list(User $by, Review $review, array $studies, string $how): void
    {
        foreach (array_chunk($studies, 1000) as $part) {
            DB::table('depth_studies')->insertOrIgnore(array_map(fn (string $study): array => [
                'review_id' => $review->id,
                'publication_id' => $study,
                'how' => $how,
                'user_id' => $by->id,
                'created_at' => now(),
            ], $part));
        }
    }
}
