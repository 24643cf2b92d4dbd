<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\Paper;

/** How much of a paper is read for leads. */
enum LeadPass: string
{
    case Deep = 'deep';
    case Fast = 'fast';

    /** Of a fast pass, besides the abstract. */
    public const FIRST_PAGES = 2;

    public function of(Paper $paper): Paper
    {
        return $this === self::Fast ? $paper->beginning(self::FIRST_PAGES) : $paper;
    }
}
