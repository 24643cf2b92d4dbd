<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;

/** The definition of an analysis: which results are pooled and how, so that it can be run again on other studies. */
final readonly class AnalysisTerms
{
    /** As a moderator: when a study was published. */
    public const YEAR = 'year';

    /**
     * @param  string  $comparison  empty where single groups are described
     * @param  string  $groups  an item of the codebook whose answers make subgroups; empty for none
     * @param  string  $onlyItem  studies with one of these answers to that item; empty for all
     * @param  list<string>  $onlyAnswers
     * @param  list<string>  $hidden  studies left out by hand
     * @param  list<string>  $moderators  at most two: items of the codebook that are numbers, or YEAR
     * @param  string  $marks  an item by which studies are marked as they were judged; empty for none
     */
    public function __construct(
        public string $outcome,
        public string $comparison,
        public AnalysisMeasure $measure,
        public PooledBy $by = PooledBy::Restricted,
        public IntervalBy $interval = IntervalBy::HartungKnapp,
        public RowChoice $rows = new RowChoice(),
        public string $groups = '',
        public string $onlyItem = '',
        public array $onlyAnswers = [],
        public array $hidden = [],
        public array $moderators = [],
        public string $marks = '',
    ) {
    }

    /** Whether it has to know what the codebook says of studies. */
    public function asksCodebook(): bool
    {
        return $this->groups !== '' || $this->onlyItem !== '' || $this->moderators !== [] || $this->marks !== '';
    }

    /**
     * What is missing or nothing that there is, is as if it were not given.
     *
     * @param  array<mixed>  $kept  as toArray() gave it, or as an address has it
     */
    public static function fromArray(array $kept): self
    {
        $text = fn (string $key): string => is_scalar($kept[$key] ?? null) ? (string) $kept[$key] : '';
        $days = fn (string $key): ?int => preg_match('/^\d{1,5}$/', $text($key)) === 1 ? (int) $text($key) : null;
        $measure = AnalysisMeasure::tryFrom($text('measure')) ?? AnalysisMeasure::RiskRatio;
        $by = PooledBy::tryFrom($text('by')) ?? PooledBy::Restricted;

        return new self(
            $text('outcome'),
            $text('comparison'),
            $measure,
            $by->suits($measure) ? $by : PooledBy::Restricted,
            IntervalBy::tryFrom($text('interval')) ?? IntervalBy::HartungKnapp,
            new RowChoice(
                $days('from'),
                $days('to'),
                $days('nearest'),
                self::texts($kept['scales'] ?? []),
                SeveralGroups::tryFrom($text('several')) ?? SeveralGroups::Combine,
            ),
            $text('groups'),
            $text('only'),
            self::texts($kept['answers'] ?? []),
            self::texts($kept['hidden'] ?? []),
            array_slice(array_values(array_unique(self::texts($kept['moderators'] ?? []))), 0, 2),
            $text('marks'),
        );
    }

    /** @return array<string, string|int|bool|list<string>|null> */
    public function toArray(): array
    {
        return [
            'outcome' => $this->outcome,
            'comparison' => $this->comparison,
            'measure' => $this->measure->value,
            'by' => $this->by->value,
            'interval' => $this->interval->value,
            'from' => $this->rows->from,
            'to' => $this->rows->to,
            'nearest' => $this->rows->nearest,
            'scales' => $this->rows->scales,
            'several' => $this->rows->several->value,
            'groups' => $this->groups,
            'only' => $this->onlyItem,
            'answers' => $this->onlyAnswers,
            'hidden' => $this->hidden,
            'moderators' => $this->moderators,
            'marks' => $this->marks,
        ];
    }

    /** @return list<string> */
    private static function texts(mixed $given): array
    {
        return array_values(array_filter(is_array($given) ? $given : [], fn (mixed $one): bool => is_string($one) && $one !== ''));
    }
}
