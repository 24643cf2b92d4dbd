<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Models\Answer;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Support\Collection;
use WaryHeron\Core\Coding\AnswerDifference;

/**
 * Where two code apart: what both answered alike counts at once, with the evidence of both; where one changes their
 * answer, it counts no more. What a person settled stays settled.
 */
final class CountAgreed
{
    public const AGREED = 'agreed';

    public function execute(User $by, Review $review, AnswerSlot $slot): void
    {
        if ($review->coded_by === 1) {
            return;
        }
        $current = $slot->answers()->orderBy('created_at')->get();
        [$own, $counting] = $current->partition(fn (Answer $one): bool => $one->hand !== '');
        $counts = $counting->first();
        if ($counts !== null && $counts->how !== self::AGREED) {
            return;
        }
        $counts?->update(['superseded_at' => now()]);
        if (self::agree($own)) {
            WholeGivesWay::to($slot, '');
            $this->count($by, $own->values());
        }
    }

    /** @param  Collection<int, Answer>  $own */
    private static function agree(Collection $own): bool
    {
        $said = $own->filter(fn (Answer $one): bool => $one->says())->values();
        $isAlike = fn (Answer $one): bool => AnswerDifference::between(
            $said[0]->kind,
            $said[0]->value,
            $one->kind,
            $one->value,
        ) === AnswerDifference::None;

        return $said->count() >= 2 && $said->every($isAlike);
    }

    /** @param  Collection<int, Answer>  $own  alike */
    private function count(User $by, Collection $own): void
    {
        $first = $own->firstOrFail();
        $evidence = $own->flatMap(fn (Answer $one): array => $one->evidence);
        $first->replicate(['created_at', 'superseded_at'])->fill([
            'user_id' => $by->id,
            'hand' => '',
            'how' => self::AGREED,
            'evidence' => self::each($evidence),
            'note' => $own->pluck('note')->filter()->unique()->implode(' / '),
        ])->save();
    }

    /**
     * @param  Collection<int, array<string, mixed>>  $evidence
     * @return list<array<string, mixed>> each once
     */
    public static function each(Collection $evidence): array
    {
        return array_values($evidence->unique(fn (array $one): array => [$one['copy'], $one['page'], $one['quote']])->all());
    }
}
