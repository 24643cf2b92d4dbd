<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Models\Draft;
use App\Models\FullText;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** A copy of a paper that a draft reads closely has come: the draft reads it, and what follows is worked out again. */
final readonly class ReadNewCopy
{
    public function __construct(private ChangeDraft $change)
    {
    }

    public function execute(FullText $copy): void
    {
        if ($copy->publication_id === null || $copy->taken_out_at !== null) {
            return;
        }
        foreach (Draft::query()->where('review_id', $copy->review_id)->whereIn('id', $this->drafts($copy))->get() as $draft) {
            $this->change->copyCame($copy->user, $draft, $copy->name);
        }
    }

    /** Drafts that read its paper closely, and no copy of it so far. */
    private function drafts(FullText $copy): Builder
    {
        return DB::table('draft_papers')
            ->join('scouted_papers', fn ($join) => $join
                ->on('scouted_papers.review_id', '=', 'draft_papers.review_id')
                ->on('scouted_papers.id', '=', 'draft_papers.scouted_paper_id'))
            ->where('draft_papers.review_id', $copy->review_id)
            ->where('scouted_papers.publication_id', $copy->publication_id)
            ->where('draft_papers.in_full', true)
            ->where(fn (Builder $some) => $some->whereNull('full_text_id')->orWhereIn(
                'full_text_id',
                DB::table('full_texts')
                    ->where('review_id', $copy->review_id)
                    ->whereNotNull('taken_out_at')
                    ->select('id'),
            ))
            ->select('draft_papers.draft_id');
    }
}
