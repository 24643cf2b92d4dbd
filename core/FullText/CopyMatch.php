<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** What a copy was found to be: certainly one publication, or one of several that a person has to choose from. */
final readonly class CopyMatch
{
    /**
     * @param  ?string  $publication  null where a person has to say
     * @param  'doi'|'title'|''  $by
     * @param  list<CopyOffer>  $offers  the likeliest first
     */
    public function __construct(public ?string $publication, public string $by, public array $offers)
    {
    }
}
