<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** What a thesaurus offers for a typed word. */
final readonly class FoundHeadings
{
    /**
     * @param  list<FoundHeading>  $offers
     * @param  list<OtherMeaning>  $caution  where the word means several things
     * @param  string  $failure  of the database that was asked; empty where it answered
     */
    public function __construct(public array $offers, public array $caution, public string $failure)
    {
    }
}
