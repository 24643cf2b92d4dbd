<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use WaryHeron\Core\Search\Text\Segment;

/** A part of an abstract, with the words that are marked in it. */
final readonly class Passage
{
    /**
     * @param  string  $label  as “Methods”; empty where the abstract has no parts
     * @param  list<Segment>  $parts
     */
    public function __construct(public string $label, public array $parts)
    {
    }
}
