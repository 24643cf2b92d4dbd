<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use App\Models\Comparison;
use WaryHeron\Core\Synthesis\Choice\PooledEstimate;
use WaryHeron\Core\Synthesis\Distribution\PointEstimate;
use WaryHeron\Core\Synthesis\Plot\Favours;
use WaryHeron\Core\Synthesis\Plot\Forest;
use WaryHeron\Core\Synthesis\Plot\ForestLine;
use WaryHeron\Core\Synthesis\Plot\Funnel;
use WaryHeron\Core\Synthesis\Plot\Judged;
use WaryHeron\Core\Synthesis\Pool\Study;

/** The pictures of an analysis, in the review's words. */
final readonly class ForestPlot
{
    /** So many lines of a plot fit on a printed page. */
    public const LINES_A_PAGE = 40;

    /** @param  ?CodebookItem  $marks  in what regard studies are marked as they were judged */
    public function __construct(
        private PooledAnalysis $analysis,
        private ?Comparison $comparison,
        private ?CodebookItem $marks = null,
    ) {
    }

    /** @param  bool  $isNoted  with the number of its note after each study */
    public function forest(bool $isNoted = false): Forest
    {
        $measure = $this->analysis->terms->measure;
        $lines = [];
        $group = null;
        $groups = $this->analysis->byGroup();
        $pooled = $this->analysis->pooled();
        foreach ($this->analysis->rows as $i => $row) {
            if ($groups !== [] && $row->group !== $group) {
                $lines = [...$lines, ...$this->endOf($group, $groups), ForestLine::head($row->group)];
                $group = $row->group;
            }
            $lines[] = $this->study($row, $pooled, $isNoted ? ' ['.($i + 1).']' : '');
        }
        array_push($lines, ...$this->endOf($group, $groups));
        $lines[] = $this->pooledLine($this->analysis->terms->by->label(), $pooled, withPrediction: true);

        return new Forest(
            $lines,
            $this->heads(),
            $measure->short(),
            $measure->isRatio(),
            $this->analysis->nothing(),
            $this->favours(),
            $this->marks->label ?? '',
        );
    }

    public function funnel(): Funnel
    {
        $measure = $this->analysis->terms->measure;
        $studies = [];
        foreach ($this->analysis->rows as $row) {
            if ($row->isPooled()) {
                [$estimate, $se] = [$row->effect->estimate ?? 0.0, $row->effect->standardError() ?? 0.0];
                $studies[] = ['label' => $row->label, 'estimate' => $estimate, 'se' => $se];
            }
        }
        $mirrored = [];
        foreach ($this->analysis->filled()->filled ?? [] as $one) {
            $mirrored[] = ['label' => $one->name, 'estimate' => $one->estimate, 'se' => sqrt($one->variance)];
        }
        [$pooled, $nothing] = [$this->analysis->pooled()->estimate, $this->analysis->nothing()];

        return new Funnel($studies, $pooled, $nothing, $measure->isRatio(), $measure->short(), $mirrored);
    }

    /** @return list<string> of the columns of data */
    private function heads(): array
    {
        if ($this->comparison === null) {
            return ['Reported'];
        }
        $short = fn (string $name): string => mb_strlen($name) > 15 ? mb_substr($name, 0, 14).'…' : $name;

        return [$short($this->comparison->intervention->name), $short($this->comparison->comparator->name)];
    }

    private function study(PooledRow $row, PooledEstimate $pooled, string $note): ForestLine
    {
        $effect = $row->effect;
        $columns = [$row->chosen->used->one?->shown() ?? '', $row->chosen->used->two?->shown() ?? ''];
        $limits = $effect->interval();
        $isKnown = $effect->estimate !== null && $limits->low !== null && $limits->high !== null && ! $row->isHidden;

        return ForestLine::study(
            ($row->isHidden ? "{$row->label} (left out)" : $row->label).$note,
            array_slice($columns, 0, count($this->heads())),
            $isKnown ? new PointEstimate($effect->estimate, $limits->low, $limits->high) : null,
            match (true) {
                $row->isHidden => '',
                ! $effect->isDefined() => 'not estimable',
                default => Shown::effect($this->analysis->terms->measure, $effect, $row->chosen->used->one?->n),
            },
            $pooled->weights[$row->key] ?? 0.0,
            $row->key,
        )->judged($this->level($row));
    }

    /** How a study was judged, 0 best to 1 worst. */
    private function level(PooledRow $row): ?float
    {
        $scale = $this->marks?->code()->choosable() ?? [];
        $said = $this->marks === null ? '' : $this->analysis->reported->said($row->chosen->study, $this->marks->id);

        return (new Judged('', $scale, [$said => $said]))->level($said);
    }

    /**
     * @param  array<string, PooledEstimate>  $groups
     * @return list<ForestLine>
     */
    private function endOf(?string $group, array $groups): array
    {
        return $group === null || ! isset($groups[$group]) ? [] : [$this->pooledLine("{$group}, {$groups[$group]->k} pooled", $groups[$group])];
    }

    private function pooledLine(string $label, PooledEstimate $pooled, bool $withPrediction = false): ForestLine
    {
        $shown = Shown::pooled($this->analysis->terms->measure, $pooled, $this->analysis->size());

        return ForestLine::pooled(ucfirst($label), $pooled->interval(), $shown, $withPrediction ? $pooled->prediction : null);
    }

    private function favours(): Favours
    {
        $outcome = $this->analysis->outcome;
        if ($this->comparison === null || $outcome->better === '') {
            return new Favours();
        }
        [$one, $other] = [$this->comparison->intervention->name, $this->comparison->comparator->name];

        return $outcome->better === 'lower'
            ? new Favours("better with {$one}", "better with {$other}")
            : new Favours("better with {$other}", "better with {$one}");
    }
}
