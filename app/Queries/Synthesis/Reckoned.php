<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Result;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\Given\ReckonedParts;
use App\Queries\Synthesis\Given\ReckonedStep;
use App\Queries\Synthesis\Given\ShownEffect;
use WaryHeron\Core\Synthesis\Report\Checks;
use WaryHeron\Core\Synthesis\Report\Field;
use WaryHeron\Core\Synthesis\Report\Reckoning;
use WaryHeron\Core\Synthesis\Report\Used;

/** What is used of a result, how it was reckoned, and what looks wrong with it. */
final readonly class Reckoned
{
    /** @param  list<float>  $otherSds  of other studies on the same scale */
    public function __construct(private Result $result, private ReviewOutcome $outcome, private array $otherSds = [])
    {
    }

    public function used(): Used
    {
        $isReversed = $this->outcome->scale($this->result->scale)->reversed ?? false;

        return Reckoning::of($this->result->form, $this->result->design, $this->result->numbers(), $isReversed);
    }

    /** @return list<string> */
    public function checks(): array
    {
        $scale = $this->outcome->scale($this->result->scale);

        return (new Checks(
            $this->result->form,
            $this->result->numbers(),
            $scale === null ? null : [$scale->low, $scale->high],
            $this->otherSds,
        ))->all();
    }

    /** @return list<Field> that the form and the design ask for */
    public function fields(): array
    {
        return [...$this->result->form->fields(), ...$this->result->design->fields()];
    }

    public function parts(): ReckonedParts
    {
        $used = $this->used();
        $effects = [];
        foreach ($this->outcome->kind->measures() as $measure) {
            $effect = $used->effect($measure);
            if ($effect->isDefined()) {
                $effects[] = new ShownEffect($measure->label(), Shown::effect($measure, $effect));
            }
        }

        return new ReckonedParts(
            array_map(ReckonedStep::of(...), $used->steps),
            [$used->one?->shown() ?? '', $used->two?->shown() ?? ''],
            $effects,
            $this->checks(),
        );
    }
}
