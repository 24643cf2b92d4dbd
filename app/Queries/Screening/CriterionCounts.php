<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Stage;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** How often each criterion was answered yes, no or unclear, in the decisions that a person may see. */
final class CriterionCounts
{
    /** @return array<string, AnswerCounts> by criterion */
    public static function of(Stage $stage, User $user): array
    {
        $rows = Visibility::decisions(self::decisions($stage), $user)
            ->groupBy('given.criterion', 'given.answer')
            ->selectRaw('given.criterion, given.answer, count(DISTINCT decisions.item_id) AS n')
            ->get();
        $counts = [];
        foreach ($rows->groupBy('criterion') as $criterion => $answers) {
            $by = $answers->pluck('n', 'answer')->map(fn (mixed $n): int => (int) $n);
            $counts[(string) $criterion] = new AnswerCounts($by['yes'] ?? 0, $by['no'] ?? 0, $by['unclear'] ?? 0);
        }

        return $counts;
    }

    private static function decisions(Stage $stage): Builder
    {
        return DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->crossJoin(DB::raw('jsonb_each_text(decisions.answers) AS given (criterion, answer)'))
            ->where('decisions.review_id', $stage->review_id)
            ->where('decisions.stage_id', $stage->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->where('decisions.answers', '<>', '{}');
    }
}
