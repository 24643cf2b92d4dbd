<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\FullText;
use App\Models\Passage;
use App\Models\Result;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** All that rests on one copy: pieces of evidence of answers, passages and numbers that stand, and where they are now. */
final class CopyEvidence
{
    /** @return list<RestingPiece> */
    public static function of(Review $review, FullText $copy, User $for): array
    {
        $view = EvidenceView::of($review);
        $pieces = iterator_to_array(self::pieces($review, $copy, $for), false);

        return array_map(fn (RestingPiece $one): RestingPiece => $one->in($view), $pieces);
    }

    /** @return \Generator<int, RestingPiece> */
    private static function pieces(Review $review, FullText $copy, User $for): \Generator
    {
        yield from self::answers($review, $copy, $for);
        $passages = Passage::query()->with('user')->where('review_id', $review->id)->whereNull('removed_at');
        foreach (self::holding($passages, $copy) as $passage) {
            yield new RestingPiece('a passage', $passage->user->name, $passage->piece());
        }
        yield from self::numbers($review, $copy, $for);
    }

    /** @return \Generator<RestingPiece> where two code apart, nobody sees what the other rests on */
    private static function answers(Review $review, FullText $copy, User $for): \Generator
    {
        $labels = DB::table('codes')->where('review_id', $review->id)->pluck('label', 'id');
        $answers = Answer::query()
            ->with('user')
            ->where('review_id', $review->id)
            ->whereIn('hand', ['', $review->handOf($for)])
            ->whereNull('superseded_at');
        foreach (self::holding($answers, $copy) as $answer) {
            foreach ($answer->pieces() as $piece) {
                if ($piece->copy === $copy->id) {
                    yield new RestingPiece((string) ($labels[$answer->code_id] ?? 'an item'), $answer->user->name, $piece);
                }
            }
        }
    }

    /** @return \Generator<RestingPiece> */
    private static function numbers(Review $review, FullText $copy, User $for): \Generator
    {
        $results = Result::query()
            ->with('user')
            ->where('review_id', $review->id)
            ->whereIn('hand', ['', $review->handOf($for)])
            ->whereNull('superseded_at')
            ->where('withdrawn', false);
        foreach (self::holding($results, $copy) as $result) {
            foreach (array_merge(...array_values($result->pieces()) ?: [[]]) as $piece) {
                if ($piece->copy === $copy->id) {
                    yield new RestingPiece('a number', $result->user->name, $piece);
                }
            }
        }
    }

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $rows
     * @return Collection<int, T> those that name the copy in their evidence
     */
    private static function holding(Builder $rows, FullText $copy): Collection
    {
        return $rows->whereRaw('evidence::text LIKE ?', ["%{$copy->id}%"])->orderBy('id')->get();
    }
}
