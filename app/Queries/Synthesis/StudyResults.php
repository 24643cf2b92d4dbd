<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\User;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\ShownEvidence;
use App\Queries\Synthesis\Given\AskedComparison;
use App\Queries\Synthesis\Given\AskedForm;
use App\Queries\Synthesis\Given\AskedOutcome;
use App\Queries\Synthesis\Given\ResultRow;
use App\Queries\Synthesis\Given\ResultSheet;
use Illuminate\Support\Collection;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/** The results of one study, and what a person needs to take more of them. */
final readonly class StudyResults
{
    /** So many results of other studies tell what an SD usually is. */
    private const COMPARED = 600;

    /** @param  User  $user  whose own are shown, where two code apart */
    public function __construct(private Review $review, private Publication $publication, private User $user)
    {
    }

    public function data(): ResultSheet
    {
        $book = OutcomeBook::of($this->review);
        $known = $book->outcomes;
        $taken = $this->taken($known);
        $sds = $this->otherSds(array_values($known->pluck('id')->all()));
        $row = fn (Result $one): ResultRow => $this->shown($one, $known->firstOrFail('id', $one->outcome_id), $sds);

        return new ResultSheet(
            outcomes: array_values($known->map(AskedOutcome::of(...))->all()),
            comparisons: array_values($book->comparisons->map(AskedComparison::of(...))->all()),
            forms: array_map(AskedForm::of(...), ReportForm::cases()),
            designs: array_map(AskedForm::ofDesign(...), StudyDesign::cases()),
            rows: array_values($taken->map($row)->all()),
            offers: (new OfferedResults($this->publication, $this->view()))->of($known, $book->comparisons, $taken),
            url: route('results', [$this->review, $this->publication], false),
        );
    }

    public function row(Result $result, ReviewOutcome $outcome): ResultRow
    {
        return $this->shown($result, $outcome, $this->otherSds([$outcome->id]));
    }

    /** @param  array<string, array<string, list<float>>>  $sds  by outcome, then scale */
    private function shown(Result $result, ReviewOutcome $outcome, array $sds): ResultRow
    {
        return new ResultRow(
            $result,
            array_map($this->shownPieces(...), $result->pieces()),
            (new Reckoned($result, $outcome, $sds[$outcome->id][$result->scale] ?? []))->parts(),
        );
    }

    /**
     * @param  list<Evidence>  $pieces
     * @return list<ShownEvidence>
     */
    private function shownPieces(array $pieces): array
    {
        return array_map($this->view()->shown(...), $pieces);
    }

    /**
     * @param  Collection<int, ReviewOutcome>  $outcomes
     * @return Collection<int, Result> of them, in an order that does not change
     */
    private function taken(Collection $outcomes): Collection
    {
        return Result::inHand($this->review, $this->review->handOf($this->user))
            ->where('publication_id', $this->publication->id)
            ->whereIn('outcome_id', $outcomes->pluck('id'))
            ->with('user')
            ->orderBy('outcome_id')
            ->orderBy('days')
            ->orderBy('row_id')
            ->get()
            ->toBase();
    }

    /**
     * SDs that other studies report of these outcomes, to compare with: one query, however many rows there are.
     *
     * @param  list<string>  $outcomes
     * @return array<string, array<string, list<float>>> by outcome, then scale
     */
    private function otherSds(array $outcomes): array
    {
        $others = Result::standing($this->review)
            ->whereIn('outcome_id', $outcomes)
            ->where('form', ReportForm::MeansWithSd)
            ->where('publication_id', '<>', $this->publication->id)
            ->limit(self::COMPARED)
            ->get(['outcome_id', 'scale', 'given']);
        $sds = [];
        foreach ($others as $one) {
            foreach (array_filter($one->numbers()->all('sd1', 'sd2')) as $sd) {
                $sds[$one->outcome_id][$one->scale][] = $sd;
            }
        }

        return $sds;
    }

    private function view(): EvidenceView
    {
        return once(fn (): EvidenceView => EvidenceView::of($this->review, $this->publication));
    }
}
