<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Access\Ability;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Coding\CodedStudies;
use App\Queries\Coding\CodingShares;
use App\Queries\Screening\ScreenerCounts;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** What waits for one person in one review. */
final readonly class Waiting
{
    private function __construct(
        public int $toScreen,
        public int $toReadInFull,
        public int $toSettle,
        public int $toCode,
        public int $coded,
    ) {
    }

    /** @param  ?array<string, Tallies>  $tallies  by stage */
    public static function for(User $user, Review $review, ?array $tallies = null): self
    {
        $role = $user->roleIn($review);
        $tallies ??= Tallies::ofStages($review);
        $toScreen = $toReadInFull = $toSettle = $included = 0;
        $counts = $role?->may(Ability::Screen) === true ? ScreenerCounts::ofStages($user, $review, $tallies) : [];
        foreach ($review->stages as $stage) {
            $in = $tallies[$stage->id];
            $left = $in->in(ItemState::Waiting) > 0 ? $counts[$stage->id]->left ?? 0 : 0;
            $stage->purpose === StagePurpose::FullText ? ($toReadInFull += $left) : ($toScreen += $left);
            if ($in->in(ItemState::Disagreement) > 0) {
                $toSettle += self::toSettle($user, $stage, $role?->may(Ability::Settle) === true);
            }
            $included = $stage->id === $review->lastStage()->id ? $in->in(ItemState::Included) : $included;
        }
        $coded = $included === 0 ? 0 : CodedStudies::count($review);
        $mayCode = $role?->may(Ability::Code) === true && $included > 0;
        $toCode = $mayCode ? CodingShares::countToCode($review, $user) : 0;

        return new self($toScreen, $toReadInFull, $toSettle, $toCode, $coded);
    }

    public function all(): int
    {
        return $this->toScreen + $this->toReadInFull + $this->toSettle + $this->toCode;
    }

    private static function toSettle(User $user, Stage $stage, bool $mayAlone): int
    {
        return StageItems::of($stage)
            ->where('state', ItemState::Disagreement->value)
            ->when(
                ! $mayAlone,
                fn ($items) => $items->whereExists(
                    fn ($d) => $d
                        ->selectRaw('1')
                        ->from('decisions')
                        ->whereColumn('decisions.item_id', 'items.id')
                        ->whereColumn('decisions.review_id', 'items.review_id')
                        ->where('decisions.user_id', $user->id)
                        ->whereNull('decisions.superseded_at')
                        ->whereNotNull('decisions.verdict'),
                ),
            )
            ->count();
    }
}
