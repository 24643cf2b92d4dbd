<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Pulls the next items of a stage's common queue for one person, so that no more people read an item than it needs. */
final class ClaimItems
{
    /** How long an item is kept for somebody who does not come back. */
    private const MINUTES = 20;

    public function execute(User $by, Stage $stage, int $want): void
    {
        if ($stage->work !== 'queue' || $stage->closed_at !== null) {
            return;
        }
        $mine = DB::table('item_claims')
            ->where('item_claims.review_id', $stage->review_id)
            ->where('item_claims.stage_id', $stage->id)
            ->where('item_claims.user_id', $by->id);
        (clone $mine)->where('until', '>', now())->update(['until' => now()->addMinutes(self::MINUTES)]);
        $have = self::unjudged($by, $mine);
        if ($have < $want) {
            self::claim($by, $stage, $want - $have);
        }
    }

    /** How many of those that one has at hand are still to be judged. */
    private static function unjudged(User $by, Builder $claims): int
    {
        return (clone $claims)
            ->where('until', '>', now())
            ->join('items', 'items.id', '=', 'item_claims.item_id')
            ->whereColumn('items.review_id', 'item_claims.review_id')
            ->where('items.state', 'waiting')
            ->whereNotExists(fn ($decision) => $decision
                ->selectRaw('1')
                ->from('decisions')
                ->whereColumn('decisions.review_id', 'items.review_id')
                ->whereColumn('decisions.item_id', 'items.id')
                ->where('decisions.user_id', $by->id)
                ->whereNull('decisions.superseded_at')
                ->whereNotNull('decisions.verdict'))
            ->count();
    }

    /** As many as are asked for of those that lack a judge, in the order of what is left where there is one. */
    private static function claim(User $by, Stage $stage, int $many): void
    {
        [$ranks, $first] = $stage->ranked
            ? ['LEFT JOIN item_ranks r ON r.review_id = i.review_id AND r.item_id = i.id', 'r.rank NULLS LAST,']
            : ['', ''];
        DB::insert(
            <<<SQL
            INSERT INTO item_claims (review_id, stage_id, item_id, user_id, until)
            SELECT i.review_id, i.stage_id, i.id, ?, ? FROM items i {$ranks}
            WHERE i.review_id = ? AND i.stage_id = ? AND i.state = 'waiting'
                AND NOT EXISTS (SELECT 1 FROM decisions d WHERE d.review_id = i.review_id AND d.item_id = i.id AND d.user_id = ? AND d.superseded_at IS NULL AND d.verdict IS NOT NULL)
                AND NOT EXISTS (SELECT 1 FROM item_claims c WHERE c.review_id = i.review_id AND c.item_id = i.id AND c.user_id = ? AND c.until > ?)
                AND (SELECT count(*) FROM decisions d WHERE d.review_id = i.review_id AND d.item_id = i.id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL)
                    + (SELECT count(*) FROM item_claims c WHERE c.review_id = i.review_id AND c.item_id = i.id AND c.user_id <> ? AND c.until > ?
                        AND NOT EXISTS (SELECT 1 FROM decisions d WHERE d.review_id = c.review_id AND d.item_id = c.item_id AND d.user_id = c.user_id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL)) < ?
            ORDER BY {$first} i.position LIMIT ? FOR UPDATE OF i SKIP LOCKED
            ON CONFLICT (review_id, item_id, user_id) DO UPDATE SET until = EXCLUDED.until
            SQL
            ,
            [
                ...[$by->id, now()->addMinutes(self::MINUTES), $stage->review_id, $stage->id],
                ...[$by->id, $by->id, now(), $by->id, now(), $stage->required_decisions, $many],
            ],
        );
    }
}
