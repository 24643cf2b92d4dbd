<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** How many people judge an item at a stage and what their verdicts amount to. */
final readonly class StageRule
{
    public const MOST_DECISIONS = 9;

    /**
     * @param  int  $requiredDecisions  how many different people judge an item before it opens
     * @param  bool  $unsureCountsAsInclude  at the first stage in doubt an item often goes on
     * @param  bool  $reasonsMustAgree  whether two exclusions for different reasons are a disagreement
     * @param  bool  $closed  whether judging has ended: what is left opens as it is, and is settled
     */
    public function __construct(
        public int $requiredDecisions,
        public bool $unsureCountsAsInclude = false,
        public bool $reasonsMustAgree = false,
        public bool $closed = false,
    ) {
        if ($requiredDecisions < 1 || $requiredDecisions > self::MOST_DECISIONS) {
            throw new \LogicException('A stage needs between one and '.self::MOST_DECISIONS.' decisions per item.');
        }
    }
}
