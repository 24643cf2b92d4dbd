<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Comparison;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Result;
use App\Models\ReviewOutcome;
use App\Models\StudyPart;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\StudyParts;
use App\Queries\FullTexts\PaperPages;
use App\Queries\Synthesis\Given\OfferedRow;
use Illuminate\Support\Collection;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Selector\Selector;
use WaryHeron\Core\Synthesis\Offer\OfferedNumber;
use WaryHeron\Core\Synthesis\Offer\OfferedResult;
use WaryHeron\Core\Synthesis\Offer\TableResults;

/** Rows of a study’s tables that seem to give its results of an outcome, for a press. */
final readonly class OfferedResults
{
    /** Reports of one study have few copies; more are not read for this. */
    private const COPIES = 4;

    public function __construct(private Publication $publication, private EvidenceView $view)
    {
    }

    /**
     * @param  Collection<int, ReviewOutcome>  $outcomes
     * @param  Collection<int, Comparison>  $comparisons
     * @param  Collection<int, Result>  $taken  what the study’s results are already
     * @return list<OfferedRow> without what has been taken
     */
    public function of(Collection $outcomes, Collection $comparisons, Collection $taken): array
    {
        if ($outcomes->isEmpty() || $comparisons->isEmpty()) {
            return [];
        }
        $offers = [];
        $parts = StudyParts::of($this->publication)->where('kind', StudyPart::ARM);
        $groupsOf = $comparisons->keyBy('id')->map(fn (Comparison $one): PartNames => self::groups($one, $parts));
        foreach ($this->papers() as $copy => $paper) {
            foreach ($comparisons as $comparison) {
                $groups = $groupsOf[$comparison->id];
                foreach ($outcomes as $outcome) {
                    $of = $taken->where('outcome_id', $outcome->id)->map(fn (Result $one): array => $one->given)->all();
                    foreach (TableResults::of($paper, $outcome->kind, self::names($outcome), $groups) as $offer) {
                        if (! self::isTaken($offer, $of)) {
                            $offers[] = $this->shown($offer, $outcome, $comparison, $copy);
                        }
                    }
                }
            }
        }

        return $offers;
    }

    /** @return array<string, Passages> by copy */
    private function papers(): array
    {
        $copies = FullText::query()
            ->where('review_id', $this->publication->review_id)
            ->where('publication_id', $this->publication->id)
            ->whereNull('taken_out_at')
            ->whereNull('replaced_by')
            ->orderBy('id')
            ->limit(self::COPIES)
            ->pluck('id');
        $papers = [];
        foreach ($copies as $copy) {
            $papers[$copy] = Passages::of(PaperPages::paper($this->publication->review_id, $copy));
        }

        return $papers;
    }

    /**
     * The two groups as the review, this study and papers at large call them.
     *
     * @param  Collection<int, StudyPart>  $parts  arms of the study
     */
    private static function groups(Comparison $comparison, Collection $parts): PartNames
    {
        $names = [];
        foreach (['1' => $comparison->intervention, '2' => $comparison->comparator] as $group => $arm) {
            $own = array_map(strval(...), $parts->where('arm_id', $arm->id)->pluck('name')->all());
            $names[(string) $group] = [$arm->name, ...array_values($own), ...PartNames::USUAL[$arm->kind] ?? []];
        }

        return PartNames::of($names);
    }

    /** @return list<string> */
    private static function names(ReviewOutcome $outcome): array
    {
        return [$outcome->name, ...array_values(array_filter(array_column($outcome->scales, 'name'), is_string(...)))];
    }

    /** @param  array<array<string, string>>  $taken */
    private static function isTaken(OfferedResult $offer, array $taken): bool
    {
        $number = fn (string $told): float => (float) str_replace(',', '', $told);
        foreach ($taken as $given) {
            $same = array_filter(
                $offer->given(),
                fn (string $value, string $key): bool => isset($given[$key]) && $number($given[$key]) === $number($value),
                ARRAY_FILTER_USE_BOTH,
            );
            if (count($same) === count($offer->numbers)) {
                return true;
            }
        }

        return false;
    }

    private function shown(OfferedResult $offer, ReviewOutcome $outcome, Comparison $comparison, string $copy): OfferedRow
    {
        $evidence = fn (OfferedNumber $one): array => [
            $this->view->shown(new Evidence(new Selector($one->quote, '', '', $one->page, -1, -1, []), $copy)),
        ];

        return new OfferedRow(
            $outcome->id,
            $comparison->id,
            $offer->form->value,
            $offer->given(),
            array_map($evidence, $offer->numbers),
            $offer->label,
        );
    }
}
