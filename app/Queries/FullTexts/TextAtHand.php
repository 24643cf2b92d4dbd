<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\FullText\Reading\Paper;

/** What there is to read of a publication: all of it, or title and abstract. */
final readonly class TextAtHand
{
    public function __construct(public Paper $paper, public bool $isWhole)
    {
    }
}
