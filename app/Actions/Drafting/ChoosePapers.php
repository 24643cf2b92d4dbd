<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Models\Draft;
use Illuminate\Support\Facades\DB;

/** The papers of a question that a draft reads: the likeliest, as many as it goes deep. */
final class ChoosePapers
{
    public function execute(Draft $draft): void
    {
        DB::transaction(function () use ($draft): void {
            DB::statement(
                <<<'SQL'
                INSERT INTO draft_papers (review_id, draft_id, scouted_paper_id, position)
                SELECT review_id, ?, id, row_number() OVER (ORDER BY score DESC, id)
                FROM scouted_papers WHERE review_id = ? AND scouting_id = ? AND thrown_out_at IS NULL
                ORDER BY score DESC, id LIMIT ?
                ON CONFLICT (review_id, draft_id, scouted_paper_id) DO UPDATE SET position = excluded.position
                SQL,
                [$draft->id, $draft->review_id, $draft->scouting_id, $draft->depth],
            );
            // thrown out of the question's papers, it leaves the draft too
            $draft->rows('draft_papers')
                ->whereIn('scouted_paper_id', DB::table('scouted_papers')
                    ->where('review_id', $draft->review_id)
                    ->where('scouting_id', $draft->scouting_id)
                    ->whereNotNull('thrown_out_at')
                    ->select('id'))
                ->delete();
        });
    }
}
