<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** Who ends a disagreement at a stage. */
enum Settler: string
{
    /** Those who decided, by agreement; where they cannot agree, the adjudicator. */
    case Pair = 'pair';

    /** Any reviewer who has not decided on the item, or those who did, by agreement. */
    case Third = 'third';

    /** The adjudicator alone. */
    case Adjudicator = 'adjudicator';

    public function byAgreement(): bool
    {
        return $this !== self::Adjudicator;
    }

    /**
     * Whether a person may settle an item by themselves.
     *
     * @param  bool  $adjudicates  whether it is their part in the review to settle
     * @param  bool  $decided  whether they decided on the item
     */
    public function alone(bool $adjudicates, bool $decided): bool
    {
        return $adjudicates || ($this === self::Third && ! $decided);
    }
}
