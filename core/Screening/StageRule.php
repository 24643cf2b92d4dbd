<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** How many people judge an item and what their verdicts amount to. */
final readonly class StageRule
{
    public function __construct(public int $requiredDecisions, public bool $unsureCountsAsInclude = false)
    {
        if ($requiredDecisions < 1) {
            throw new \LogicException('A stage needs at least one decision per item.');
        }
    }

    public static function for(Stage $stage): self
    {
        return match ($stage) {
            Stage::TitleAbstract => new self(requiredDecisions: 2),
        };
    }
}
