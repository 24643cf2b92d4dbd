<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Effect\TwoMeans;

/** What is used of a reported result: two groups, or an estimate as it is, with how each was reckoned. */
final readonly class Used
{
    /**
     * @param  list<Step>  $steps
     * @param  array<string, Effect>  $direct  effects that do not come from the groups, by measure
     */
    public function __construct(
        public ?Group $one = null,
        public ?Group $two = null,
        public array $steps = [],
        public array $direct = [],
    ) {
    }

    public function table(): ?TwoByTwo
    {
        return TwoByTwo::of($this->one?->events, $this->one?->n, $this->two?->events, $this->two?->n);
    }

    public function means(): ?TwoMeans
    {
        [$one, $two] = [$this->one, $this->two];

        return TwoMeans::of($one?->n, $one?->mean, $one?->sd, $two?->n, $two?->mean, $two?->sd);
    }

    /** Undefined where it gives nothing for this measure. */
    public function effect(AnalysisMeasure $measure): Effect
    {
        if (isset($this->direct[$measure->value])) {
            return $this->direct[$measure->value];
        }
        // an estimate that takes pairs into account is not reckoned again from the groups
        $pooled = $this->direct === [] ? $measure->pooled() : Measure::Generic;

        return match (true) {
            $pooled->isOfEvents() => ($table = $this->table()) === null ? Effect::undefined() : $pooled->ofEvents($table),
            $pooled->isOfMeans() => $this->ofMeans($measure),
            default => Effect::undefined(),
        };
    }

    /** People in both groups together; null where it is not told. */
    public function people(): ?float
    {
        return $this->one?->n === null ? $this->two?->n : $this->one->n + ($this->two->n ?? 0);
    }

    private function ofMeans(AnalysisMeasure $measure): Effect
    {
        $means = $this->means();

        return match (true) {
            $means === null => Effect::undefined(),
            $measure === AnalysisMeasure::StandardisedApproximately => $means->hedgesApproximately(),
            default => $measure->pooled()->ofMeans($means),
        };
    }
}
