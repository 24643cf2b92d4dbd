<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodingLead;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/** Proposed answers: those that wait, and what became of the others. */
final class Leads
{
    /**
     * Those that a person may rule on. Where two code apart, what the other one ruled on waits for them all the same.
     *
     * @return array<string, CodingLead> by slot
     */
    public static function waitingFor(Review $review, string $publicationId, User $user): array
    {
        $waits = fn (Builder $lead): Builder => $lead
            ->where('ruling', LeadRuling::Waiting)
            ->when($review->coded_by === 2, fn (Builder $or) => $or->orWhere('ruled_by', '<>', $user->id));

        return CodingLead::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publicationId)
            ->where($waits)
            ->orderBy('created_at')
            ->get()
            ->keyBy(fn (CodingLead $one): string => AnswerSlot::keyOf($one->code_id, $one->part_id))
            ->all();
    }

    /** @return array<string, array<string, CodingLead>> by publication, then code */
    public static function waiting(Review $review): array
    {
        $waiting = [];
        $leads = CodingLead::query()->where('review_id', $review->id)->where('ruling', LeadRuling::Waiting)->get();
        foreach ($leads as $lead) {
            $waiting[$lead->publication_id][$lead->code_id] = $lead;
        }

        return $waiting;
    }

    /** @return array<string, string> "38 of 40 accepted", by code, of those that people ruled on */
    public static function record(Review $review): array
    {
        return DB::table('leads')
            ->where('review_id', $review->id)
            ->where('ruling', '<>', LeadRuling::Waiting->value)
            ->groupBy('code_id')
            ->selectRaw('code_id, count(*) AS ruled, count(*) FILTER (WHERE ruling = ?) AS accepted', [
                LeadRuling::Accepted->value,
            ])
            ->get()
            ->mapWithKeys(fn (object $one): array => [$one->code_id => "{$one->accepted} of {$one->ruled} accepted"])
            ->all();
    }
}
