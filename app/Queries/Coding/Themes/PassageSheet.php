<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

/** The passages marked in one study, and the themes that there are. */
final readonly class PassageSheet
{
    /**
     * @param  list<MarkedPassage>  $passages
     * @param  list<string>  $themes
     */
    public function __construct(public array $passages, public array $themes)
    {
    }
}
