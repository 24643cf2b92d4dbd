<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\FullText\RetrievalState;

final readonly class RetrievalStanding
{
    public function __construct(public bool $included, public RetrievalState $state)
    {
    }
}
