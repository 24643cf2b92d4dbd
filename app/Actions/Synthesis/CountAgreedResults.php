<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Coding\CountAgreed;
use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\User;
use App\Queries\Synthesis\CodedTwice;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;
use WaryHeron\Core\Synthesis\Twice\ResultDifference;
use WaryHeron\Core\Synthesis\Twice\ResultPair;

/**
 * Where two take results apart: what both took alike counts at once, with the evidence of both; where one changes theirs,
 * it counts no more. What a person settled stays settled.
 */
final class CountAgreedResults
{
    public const AGREED = 'agreed';

    public const SETTLED = 'settled';

    public function execute(User $by, Review $review, Publication $publication): void
    {
        if ($review->coded_by === 1) {
            return;
        }
        $twice = CodedTwice::of($review, [$publication->id]);
        $counting = $twice->counting;
        $alike = [];
        foreach ($twice->pairs($publication->id) as $pair) {
            if ($pair->difference() === ResultDifference::None) {
                $alike[] = $pair;
            }
        }
        foreach ($counting->where('how', self::AGREED) as $result) {
            if (! $this->isStill($result, $alike, $twice)) {
                self::withdraw($by, $result);
                $counting = $counting->reject(fn (Result $one): bool => $one->id === $result->id);
            }
        }
        foreach ($alike as $pair) {
            if ($counting->doesntContain(fn (Result $one): bool => array_intersect($one->of_rows, $pair->ids()) !== [])) {
                self::count($by, $twice->sides($pair), $pair);
            }
        }
    }

    /**
     * The values of a result that counts, from those of coders.
     *
     * @param  Collection<int, Result>  $sides
     * @return array<string, string|list<string>|array<string, list<array<string, mixed>>>>
     */
    public static function resting(Collection $sides): array
    {
        $evidence = [];
        foreach ($sides as $side) {
            foreach ($side->evidence as $field => $pieces) {
                $evidence[$field] = CountAgreed::each(collect([...$evidence[$field] ?? [], ...$pieces]));
            }
        }

        return [
            'evidence' => $evidence,
            'note' => $sides->pluck('note')->filter()->unique()->implode(' / '),
            'of_rows' => array_values($sides->pluck('row_id')->sort()->all()),
            'hand' => '',
            'row_id' => strtolower((string) Str::ulid()),
        ];
    }

    public static function withdraw(User $by, Result $result): void
    {
        $result->update(['superseded_at' => now()]);
        $result->replicate(['created_at', 'superseded_at'])->fill(['withdrawn' => true, 'user_id' => $by->id])->save();
    }

    /** @param  list<ResultPair>  $alike */
    private function isStill(Result $result, array $alike, CodedTwice $twice): bool
    {
        foreach ($alike as $pair) {
            if ($pair->ids() === $result->of_rows) {
                return $twice->sides($pair)->firstOrFail()->coded()->differsFrom($result->coded()) === ResultDifference::None;
            }
        }

        return false;
    }

    /** @param  Collection<int, Result>  $sides */
    private static function count(User $by, Collection $sides, ResultPair $pair): void
    {
        $sides->firstOrFail()->replicate(['created_at', 'superseded_at'])->fill([
            ...self::resting($sides),
            'of_rows' => $pair->ids(),
            'how' => self::AGREED,
            'user_id' => $by->id,
        ])->save();
    }
}
