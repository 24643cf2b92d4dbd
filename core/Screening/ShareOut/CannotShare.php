<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

/** Why items cannot be shared out as asked, with the nearest quotas that can be met where there are any. */
final class CannotShare extends \DomainException
{
    /** @param  ?array<string, int>  $nearest  items by person */
    public function __construct(string $why, public readonly ?array $nearest = null)
    {
        parent::__construct($why);
    }
}
