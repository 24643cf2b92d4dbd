<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** The ballot does not take what was asked of it. */
final class BallotClosed extends \DomainException
{
    public static function hasOpened(): self
    {
        return new self(
            'All decisions on this item are in and it has opened. What stands now is changed by settling it.',
        );
    }

    public static function nothingToUndo(): self
    {
        return new self('You have no decision on this item to take back.');
    }

    public static function stillBlinded(): self
    {
        return new self('This item has not opened yet: a decision is still missing.');
    }

    public static function notInDisagreement(): self
    {
        return new self(
            'This item is not in disagreement, so nothing is left to change one’s mind about. It can be settled otherwise.',
        );
    }

    public static function noDecisionToChange(): self
    {
        return new self('You did not decide on this item.');
    }

    public static function unsureSettlesNothing(): self
    {
        return new self('A settlement is include or exclude; unsure would leave the item open.');
    }
}
