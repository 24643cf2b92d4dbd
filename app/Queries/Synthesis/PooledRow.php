<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use WaryHeron\Core\Synthesis\Choice\ChosenRow;
use WaryHeron\Core\Synthesis\Effect\Effect;

/** One study in an analysis: what was chosen of it, and the effect that comes of that. */
final readonly class PooledRow
{
    /** @param  string  $key  of the study, and of its group where several stand beside one another */
    public function __construct(
        public string $key,
        public string $publication,
        public string $label,
        public ?float $year,
        public string $group,
        public ChosenRow $chosen,
        public Effect $effect,
        public bool $isHidden,
    ) {
    }

    public function isPooled(): bool
    {
        return $this->effect->isDefined() && ! $this->isHidden;
    }
}
