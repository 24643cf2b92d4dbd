<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Comparison;
use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\User;
use App\Queries\Coding\EvidenceView;
use Illuminate\Support\Collection;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\Field;
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

    /** @return array<string, mixed> */
    public function data(): array
    {
        $book = OutcomeBook::of($this->review);
        $known = $book->outcomes;
        $taken = $this->taken($known);
        $sds = $this->otherSds(array_values($known->pluck('id')->all()));

        return [
            'outcomes' => array_values($book->outcomes->map(self::outcome(...))->all()),
            'comparisons' => array_values($book->comparisons->map(self::comparison(...))->all()),
            'forms' => self::forms(),
            'designs' => array_map(self::design(...), StudyDesign::cases()),
            'rows' => array_map(
                fn (Result $one): array => $this->shown($one, $known->firstOrFail('id', $one->outcome_id), $sds),
                $taken->all(),
            ),
            'offers' => (new OfferedResults($this->publication, $this->view()))->of($book->outcomes, $book->comparisons, $taken),
            'url' => route('results', [$this->review, $this->publication], false),
        ];
    }

    /** @return array<string, mixed> */
    private static function outcome(ReviewOutcome $one): array
    {
        return [
            'id' => $one->id,
            'name' => $one->name,
            'kind' => $one->kind->value,
            'unit' => $one->unit,
            'about' => $one->about,
            'isOfTwo' => $one->kind->isOfTwo(),
            'scales' => array_column($one->scales, 'name'),
        ];
    }

    /** @return array<string, mixed> */
    private static function comparison(Comparison $one): array
    {
        $arms = ['', $one->intervention->name, $one->comparator->name];

        return ['id' => $one->id, 'words' => $one->words(), 'arms' => $arms];
    }

    /** @return array<string, mixed> */
    private static function design(StudyDesign $one): array
    {
        return [
            'id' => $one->value,
            'label' => $one->label(),
            'fields' => array_map(self::field(...), $one->fields()),
        ];
    }

    /** @return array<string, mixed> */
    public function row(Result $result, ReviewOutcome $outcome): array
    {
        return $this->shown($result, $outcome, $this->otherSds([$outcome->id]));
    }

    /**
     * @param  array<string, array<string, list<float>>>  $sds  by outcome, then scale
     * @return array<string, mixed>
     */
    private function shown(Result $result, ReviewOutcome $outcome, array $sds): array
    {
        $usual = $sds[$outcome->id][$result->scale] ?? [];

        return [
            'id' => $result->id,
            'row' => $result->row_id,
            'outcome' => $result->outcome_id,
            'comparison' => $result->comparison_id ?? '',
            'days' => (string) $result->days,
            'time' => $result->time_told,
            'scale' => $result->scale,
            'own1' => $result->own_intervention,
            'own2' => $result->own_comparator,
            'form' => $result->form->value,
            'design' => $result->design->value,
            'given' => (object) $result->given,
            'evidence' => (object) array_map($this->shownPieces(...), $result->pieces()),
            'note' => $result->note,
            'by' => $result->user->name,
            ...(new Reckoned($result, $outcome, $usual))->toArray(),
        ];
    }

    /**
     * @param  list<Evidence>  $pieces
     * @return list<array<string, mixed>>
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

    /** @return list<array<string, mixed>> */
    private static function forms(): array
    {
        return array_map(fn (ReportForm $one): array => [
            'id' => $one->value,
            'label' => $one->label(),
            'kind' => $one->kind()->value,
            'fields' => array_map(self::field(...), $one->fields()),
        ], ReportForm::cases());
    }

    /** @return array{key: string, label: string, arm: int, needed: bool} */
    private static function field(Field $field): array
    {
        return ['key' => $field->key, 'label' => $field->label, 'arm' => $field->arm, 'needed' => $field->isNeeded];
    }

    private function view(): EvidenceView
    {
        return once(fn (): EvidenceView => EvidenceView::of($this->review, $this->publication));
    }
}
