<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Review;
use App\Models\ReviewOutcome;
use Illuminate\Support\Str;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Choice\ChosenRow;
use WaryHeron\Core\Synthesis\Choice\PooledEstimate;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Pool\Between;
use WaryHeron\Core\Synthesis\Pool\GroupTest;
use WaryHeron\Core\Synthesis\Pool\Heterogeneity;
use WaryHeron\Core\Synthesis\Pool\Influence;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\SmallStudies\Begg;
use WaryHeron\Core\Synthesis\SmallStudies\Egger;
use WaryHeron\Core\Synthesis\SmallStudies\SmallStudies;
use WaryHeron\Core\Synthesis\SmallStudies\TrimAndFill;

/** An analysis run on what there is now. */
final readonly class PooledAnalysis
{
    /**
     * @param  list<PooledRow>  $rows  every study that reports the outcome, pooled or not
     * @param  array<string, TwoByTwo>  $tables  by key
     */
    private function __construct(
        public AnalysisTerms $terms,
        public ReviewOutcome $outcome,
        public ReportedRows $reported,
        public array $rows,
        private array $tables,
    ) {
    }

    public static function of(Review $review, AnalysisTerms $terms, ReviewOutcome $outcome): self
    {
        $reported = ReportedRows::of($review, $terms, $outcome);
        $rows = $tables = [];
        foreach ($terms->rows->of($reported->rows) as $chosen) {
            $row = self::row($terms, $reported, $chosen);
            $rows[] = $row;
            $table = $chosen->used->direct === [] ? $chosen->used->table() : null;
            if ($table !== null) {
                $tables[$row->key] = $table;
            }
        }
        usort($rows, fn (PooledRow $a, PooledRow $b): int => [$a->group, $a->label, $a->key] <=> [$b->group, $b->label, $b->key]);

        return new self($terms, $outcome, $reported, $rows, $tables);
    }

    private static function row(AnalysisTerms $terms, ReportedRows $reported, ChosenRow $chosen): PooledRow
    {
        $publication = $reported->studies[$chosen->study];
        $name = trim(Str::before($publication->authors, ';').' '.$publication->year) ?: Str::limit($publication->title, 40);
        $isWhole = $chosen->arms === '';

        return new PooledRow(
            $isWhole ? $chosen->study : "{$chosen->study} {$chosen->rows[0]}",
            $publication->id,
            $isWhole ? $name : "{$name}, {$chosen->arms}",
            $publication->year === null ? null : (float) $publication->year,
            $terms->groups === '' ? '' : ($reported->said($chosen->study, $terms->groups) ?: 'not coded'),
            $chosen,
            $chosen->used->effect($terms->measure),
            in_array($chosen->study, $terms->hidden, true),
        );
    }

    /** @return list<Study> that are pooled */
    public function studies(): array
    {
        return array_values(
            array_map(
                fn (PooledRow $one): Study => new Study(
                    $one->key,
                    $one->effect->estimate ?? 0.0,
                    $one->effect->variance ?? 1.0,
                    $one->year,
                    $one->group,
                ),
                array_filter($this->rows, fn (PooledRow $one): bool => $one->isPooled()),
            ),
        );
    }

    /** @param  ?list<Study>  $studies  some of them; null for all */
    public function pooled(?array $studies = null): PooledEstimate
    {
        return PooledEstimate::of(
            $this->terms->measure->pooled(),
            $studies ?? $this->studies(),
            $this->tables,
            $this->terms->by,
            $this->terms->interval,
        );
    }

    /** @return array<string, PooledEstimate> by group, in the order of the rows; none where there are no groups */
    public function byGroup(): array
    {
        return array_map($this->pooled(...), $this->groups());
    }

    /** Whether the groups differ; null where there are none. */
    public function between(): ?GroupTest
    {
        $groups = $this->groups();

        return $groups === [] ? null : Between::groups($groups, $this->terms->by->model());
    }

    /** @return array<string, non-empty-list<Study>> those that are pooled, by group; none where there are no groups */
    private function groups(): array
    {
        $groups = [];
        foreach ($this->terms->groups === '' ? [] : $this->studies() as $study) {
            $groups[$study->group][] = $study;
        }

        return $groups;
    }

    public function heterogeneity(): Heterogeneity
    {
        return new Heterogeneity($this->studies());
    }

    /** @return array<string, PooledEstimate> without each study in turn, by key */
    public function leftOut(): array
    {
        $studies = $this->studies();
        $without = [];
        foreach (count($studies) < 2 ? [] : $studies as $i => $study) {
            $without[$study->name] = $this->pooled([...array_slice($studies, 0, $i), ...array_slice($studies, $i + 1)]);
        }

        return $without;
    }

    /** @return list<CumulativeStep> as studies were added year by year */
    public function cumulative(): array
    {
        $studies = $this->studies();
        $byYear = $studies;
        usort($byYear, fn (Study $a, Study $b): int => ($a->year ?? INF) <=> ($b->year ?? INF));
        $added = [];
        foreach ($byYear as $i => $study) {
            $upTo = $this->pooled(array_slice($byYear, 0, $i + 1));
            $added[] = new CumulativeStep($this->labelOf($study->name), $upTo);
        }

        return $added;
    }

    /**
     * @param  array<string, PooledEstimate>  $leftOut  as leftOut() gives them
     * @return list<string> studies without which the conclusion would be another one
     */
    public function turning(array $leftOut): array
    {
        $nothing = $this->nothing();
        if ($nothing === null) {
            return [];
        }
        $side = $this->pooled()->side($nothing);
        $turning = [];
        foreach ($leftOut as $key => $without) {
            if ($without->side($nothing) !== $side) {
                $turning[] = $this->labelOf($key);
            }
        }

        return $turning;
    }

    /** @return array<string, Influence> by key; none of fewer than three studies */
    public function influence(): array
    {
        $influence = Influence::of($this->studies(), $this->terms->by->model());

        return array_column($influence, null, 'study');
    }

    /** With what a lopsided funnel lacks; null where that cannot be said. */
    public function filled(): ?TrimAndFill
    {
        return TrimAndFill::of($this->studies(), $this->terms->by->model());
    }

    public function egger(): Egger
    {
        return SmallStudies::egger($this->studies());
    }

    public function begg(): Begg
    {
        return SmallStudies::begg($this->studies());
    }

    /** Where nothing differs, on the scale of the analysis. */
    public function nothing(): ?float
    {
        return $this->terms->measure->nothing() === null ? null : 0.0;
    }

    public function labelOf(string $key): string
    {
        foreach ($this->rows as $row) {
            if ($row->key === $key) {
                return $row->label;
            }
        }

        return '';
    }

    /** In both groups of the studies that are pooled. */
    public function people(): int
    {
        $people = 0.0;
        foreach ($this->rows as $row) {
            $people += $row->isPooled() ? $row->chosen->used->people() ?? 0 : 0;
        }

        return (int) round($people);
    }

    /** For shares by double arcsine, of which the pooled one is shown: the harmonic mean of the numbers (Miller 1978). */
    public function size(): ?float
    {
        $sizes = array_filter(array_map(fn (PooledRow $one): ?float => $one->chosen->used->one?->n, $this->rows));

        return $sizes === [] ? null : count($sizes) / array_sum(array_map(fn (float $n): float => 1 / $n, $sizes));
    }
}
