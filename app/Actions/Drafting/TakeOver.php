<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Question\ChangeCriteria;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Files\TemporaryFolder;
use App\Models\Delivery;
use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\ScoutedPaper;
use App\Models\User;
use App\Queries\Drafting\DraftRecords;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Coding\Book\Entry;

/** Makes something of a draft part of the review, by the hand of a person who answers for it. */
final readonly class TakeOver
{
    public function __construct(
        private ChangeCriteria $criteria,
        private ChangeCodebook $codebook,
        private StartDelivery $deliver,
        private WriteLog $log,
    ) {
    }

    public function criterion(User $by, DraftCriterion $criterion): void
    {
        DB::transaction(function () use ($by, $criterion): void {
            $criterion = $criterion->locked();
            $asked = $criterion->asked();
            if ($criterion->criterion_id !== null) {
                throw new Refused('This criterion was taken over already.');
            }
            $taken = $this->criteria->add($by, $criterion->draft->review, $asked->asks(), $asked->reason());
            $criterion->update(['criterion_id' => $taken->id]);
            $this->told($by, $criterion->draft, "Took over from the draft: {$asked->asks()}");
        });
    }

    public function item(User $by, DraftItem $item): void
    {
        DB::transaction(function () use ($by, $item): void {
            $item = $item->locked();
            if ($item->code_id !== null) {
                throw new Refused('This was taken into the codebook already.');
            }
            $entry = self::entry($item);
            $item->update(['code_id' => $this->codebook->add($by, $item->draft->review, $entry)->id]);
            $this->told($by, $item->draft, "Took over from the draft into the codebook: {$item->proposed()->label}");
        });
    }

    private static function entry(DraftItem $item): Entry
    {
        $proposed = $item->proposed();

        return new Entry(
            $proposed->name,
            mb_strimwidth($proposed->label, 0, 117, '…'),
            $proposed->code(),
            $proposed->instructions,
            synonyms: $proposed->synonyms,
        );
    }

    /**
     * The likeliest that meet the criteria and were not taken yet become records of the review; they are screened as
     * others are.
     *
     * @return ?Delivery null where the library has them all
     */
    public function papers(User $by, Draft $draft, int $most): ?Delivery
    {
        $papers = self::untaken($draft)->limit($most)->get();
        if ($papers->isEmpty()) {
            throw new Refused('Every paper that meets the criteria was taken over already.');
        }
        $new = $papers->whereNull('publication_id');
        $delivery = $new->isEmpty() ? null : $this->delivered($by, $draft, $new);
        DB::transaction(function () use ($by, $draft, $papers): void {
            $draft->rows('draft_papers')
                ->whereIn('scouted_paper_id', $papers->pluck('id'))
                ->update(['taken_at' => now()]);
            $this->told($by, $draft, "Took over {$papers->count()} papers of the draft");
        });

        return $delivery;
    }

    /** @return Builder<ScoutedPaper> */
    private static function untaken(Draft $draft): Builder
    {
        return DraftRecords::query($draft)->where('draft_papers.is_in', true)->whereNull('draft_papers.taken_at');
    }

    /** @param  Collection<int, ScoutedPaper>  $papers */
    private function delivered(User $by, Draft $draft, Collection $papers): Delivery
    {
        $folder = TemporaryFolder::make();
        try {
            $path = "{$folder}/draft.ris";
            $references = $papers->map(fn (ScoutedPaper $one) => $one->reference())->values()->all();
            file_put_contents(
                $path,
                implode('', iterator_to_array(Formats::writers()['ris']->write($references), false)),
            );

            return $this->deliver->ofFile(
                $by,
                $draft->review,
                $path,
                'draft.ris',
                'First draft',
                now(),
                "Proposed by machine for the question: {$draft->scouting->question}",
                sourceKind: 'other',
            );
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    private function told(User $by, Draft $draft, string $what): void
    {
        ($this->log)($draft->review_id, $by, 'draft.taken', $what, $draft);
    }
}
