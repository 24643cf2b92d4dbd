<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Plot\BubblePlot;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Regression\Regression;

/** An analysis by one or two moderators: of the studies that have a number for each. */
final readonly class RegressionOf
{
    /**
     * @param  list<string>  $names  of the moderators
     * @param  list<string>  $without  studies that lack a moderator
     * @param  list<array{label: string, x: float, estimate: float, weight: float}>  $points  by the first moderator
     */
    private function __construct(
        public ?Regression $fit,
        public array $names,
        public array $without,
        private array $points,
        private PooledAnalysis $analysis,
    ) {
    }

    /** @param  Collection<int, CodebookItem>  $codes */
    public static function of(PooledAnalysis $analysis, Collection $codes): ?self
    {
        $moderators = $analysis->terms->moderators;
        if ($moderators === []) {
            return null;
        }
        $label = fn (string $id): string => $codes->firstWhere('id', $id)->label ?? 'an item';
        $names = array_map(fn (string $one): string => $one === AnalysisTerms::YEAR ? 'year' : $label($one), $moderators);
        $studies = $values = $without = $points = [];
        foreach ($analysis->rows as $row) {
            $of = array_map(fn (string $one): ?float => $analysis->reported->number($row->chosen->study, $one), $moderators);
            if (! $row->isPooled() || $row->effect->estimate === null || $row->effect->variance === null) {
                continue;
            }
            if (in_array(null, $of, true)) {
                $without[] = $row->label;

                continue;
            }
            $studies[] = new Study($row->key, $row->effect->estimate, $row->effect->variance);
            foreach ($of as $i => $value) {
                $values[$names[$i]][] = $value;
            }
            $points[] = ['label' => $row->label, 'x' => $of[0], 'estimate' => $row->effect->estimate, 'weight' => 1 / $row->effect->variance];
        }

        return new self($studies === [] ? null : Regression::of($studies, $values), $names, $without, $points, $analysis);
    }

    /** Of one moderator; null where there are two, or no line. */
    public function plot(): ?BubblePlot
    {
        return $this->fit === null || count($this->names) !== 1
            ? null
            : new BubblePlot(
                $this->points,
                fn (float $x): float => $this->fit->at($x),
                $this->names[0],
                $this->analysis->terms->measure->short(),
                $this->analysis->terms->measure->isRatio(),
            );
    }
}
