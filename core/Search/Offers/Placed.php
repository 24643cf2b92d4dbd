<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

/** Where a name stands in a thesaurus: the heading that bears it, and all that lie above, itself among them. */
final readonly class Placed
{
    /** @param  list<string>  $above  labels */
    public function __construct(public string $label, public array $above)
    {
    }
}
