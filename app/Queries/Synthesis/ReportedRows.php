<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Result;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Table\TableAnswer;
use stdClass;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Choice\ReportedRow;

/** The results that an analysis may take, study by study, each with what the codebook says of its study. */
final readonly class ReportedRows
{
    /**
     * @param  list<ReportedRow>  $rows
     * @param  array<string, stdClass>  $studies  a publication of each, by study
     * @param  array<string, Result>  $results  by id
     * @param  array<string, array<string, TableAnswer>>  $answers  by study, then item
     */
    private function __construct(
        public array $rows,
        public array $studies,
        public array $results,
        private array $answers,
    ) {
    }

    public static function of(Review $review, AnalysisTerms $terms, ReviewOutcome $outcome): self
    {
        $publications = CodingTable::reports($review)->keyBy('id')->all();
        $answers = $terms->asksCodebook() ? self::answers($review) : [];
        $isAll = $terms->onlyItem === '' || $terms->onlyAnswers === [];
        $only = $isAll ? null : new AskedWhen($terms->onlyItem, $terms->onlyAnswers);
        $rows = $studies = $results = [];
        foreach (self::results($review, $terms, $outcome) as $result) {
            $publication = $publications[$result->publication_id] ?? null;
            $study = $publication->study_id ?? $result->publication_id;
            $says = ($answers[$study][$terms->onlyItem] ?? null)?->value;
            if ($publication === null || ($only !== null && ! $only->holds($says))) {
                continue;
            }
            $studies[$study] ??= $publication;
            $results[$result->id] = $result;
            $rows[] = self::row($result, $study, $outcome);
        }

        return new self($rows, $studies, $results, $answers);
    }

    private static function row(Result $result, string $study, ReviewOutcome $outcome): ReportedRow
    {
        $used = (new Reckoned($result, $outcome))->used();

        return new ReportedRow($result->id, $study, $used, $result->days, $result->scale, $result->own_intervention);
    }

    /** What an item of the codebook says of a study, in words; empty where nothing. */
    public function said(string $study, string $item): string
    {
        $answer = $this->answers[$study][$item] ?? null;
        $value = $answer?->value;

        return match (true) {
            $answer === null => '',
            is_array($value) => implode(' and ', $value),
            $value === null => $answer->kind->label(),
            default => (string) $value,
        };
    }

    /** The number that an item says of a study, or its year; null where there is none. */
    public function number(string $study, string $item): ?float
    {
        if ($item === AnalysisTerms::YEAR) {
            return is_numeric($this->studies[$study]->year) ? (float) $this->studies[$study]->year : null;
        }
        $value = ($this->answers[$study][$item] ?? null)?->value;

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    /** @return array<string, array<string, TableAnswer>> of each study, as the report says with which it is coded */
    private static function answers(Review $review): array
    {
        $studies = CodedReports::of($review)->pluck('study', 'publication_id')->all();
        $answers = [];
        foreach (CodingTable::answersOf($review, array_map(strval(...), array_keys($studies))) as $publication => $of) {
            $answers[$studies[$publication]] = $of;
        }

        return $answers;
    }

    /** @return iterable<Result> in an order that does not change */
    private static function results(Review $review, AnalysisTerms $terms, ReviewOutcome $outcome): iterable
    {
        return Result::standing($review)
            ->where('outcome_id', $outcome->id)
            ->when(
                $outcome->kind->isOfTwo(),
                fn ($some) => $some->where('comparison_id', $terms->comparison),
                fn ($some) => $some->whereNull('comparison_id'),
            )
            ->with('user')
            ->orderBy('publication_id')
            ->orderBy('row_id')
            ->get();
    }
}
