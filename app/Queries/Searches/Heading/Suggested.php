<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** What is offered while a term is being typed. */
final readonly class Suggested
{
    /**
     * @param  list<TermCount>  $finds  what it finds as it stands
     * @param  list<SuggestedHeading>  $offers
     */
    public function __construct(public array $finds = [], public array $offers = [])
    {
    }
}
