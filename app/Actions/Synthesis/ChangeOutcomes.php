<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Shared\Refused;
use App\Actions\Shared\Shown;
use App\Actions\Shared\WriteLog;
use App\Models\Arm;
use App\Models\Comparison;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\User;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/** Outcomes, groups and comparisons, defined once for the review. */
final readonly class ChangeOutcomes
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @param  array<string, mixed>  $more  better, unit, scales, windows and about, as far as they are told */
    public function addOutcome(User $by, Review $review, OutcomeKind $kind, string $name, array $more = []): ReviewOutcome
    {
        return $review->whileLocked(function () use ($by, $review, $name, $kind, $more): ReviewOutcome {
            $outcome = ReviewOutcome::query()->create([
                'review_id' => $review->id,
                'position' => 1 + (int) ReviewOutcome::query()->where('review_id', $review->id)->max('position'),
                'name' => $name,
                'kind' => $kind,
                ...$more,
            ]);
            ($this->log)($review, $by, 'outcome.added', "Defined the outcome “{$name}”", $outcome);

            return $outcome;
        });
    }

    /** @param  array<string, mixed>  $values  of what may be changed: name, better, unit, scales, windows, about */
    public function changeOutcome(User $by, Review $review, ReviewOutcome $outcome, array $values, Shown $shown = new Shown()): void
    {
        $review->whileLocked(function () use ($by, $review, $outcome, $values, $shown): void {
            $shown->orOvertaken($outcome->refresh(), $by, $outcome, 'outcome.changed', "changed “{$outcome->name}”");
            $before = $outcome->only(array_keys($values));
            $outcome->update($values);
            ($this->log)($review, $by, 'outcome.changed', "Changed the outcome “{$outcome->name}”", $outcome, ['before' => $before, 'after' => $values]);
        });
    }

    /** What was reported of it is kept, and is pooled no longer. */
    public function retireOutcome(User $by, Review $review, ReviewOutcome $outcome): void
    {
        $review->whileLocked(function () use ($by, $review, $outcome): void {
            $outcome->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'outcome.retired', "Retired the outcome “{$outcome->name}”; its results are kept", $outcome);
        });
    }

    /** @param  'intervention'|'comparator'  $kind */
    public function addArm(User $by, Review $review, string $name, string $kind, string $about = ''): Arm
    {
        return $review->whileLocked(function () use ($by, $review, $name, $kind, $about): Arm {
            $arm = Arm::query()->create([
                'review_id' => $review->id,
                'position' => 1 + (int) Arm::query()->where('review_id', $review->id)->max('position'),
                'name' => $name,
                'kind' => $kind,
                'about' => $about,
            ]);
            ($this->log)($review, $by, 'arm.added', "Defined the group “{$name}”", $arm);

            return $arm;
        });
    }

    /** @throws Refused If the two are the same, or are compared already. */
    public function compare(User $by, Review $review, Arm $intervention, Arm $comparator): Comparison
    {
        return $review->whileLocked(function () use ($by, $review, $intervention, $comparator): Comparison {
            $all = Comparison::query()->where('review_id', $review->id);
            $pair = ['intervention_id' => $intervention->id, 'comparator_id' => $comparator->id];
            if ($intervention->id === $comparator->id || (clone $all)->whereNull('retired_at')->where($pair)->exists()) {
                throw new Refused('Choose two groups that are not compared with each other yet.');
            }
            $comparison = Comparison::query()->create([
                'review_id' => $review->id,
                'position' => 1 + (int) $all->max('position'),
                ...$pair,
            ]);
            ($this->log)($review, $by, 'comparison.added', "Compares {$comparison->words()}", $comparison);

            return $comparison;
        });
    }

    public function retireComparison(User $by, Review $review, Comparison $comparison): void
    {
        $review->whileLocked(function () use ($by, $review, $comparison): void {
            $comparison->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'comparison.retired', "Compares {$comparison->words()} no longer; results are kept", $comparison);
        });
    }
}
