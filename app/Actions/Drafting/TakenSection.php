<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use WaryHeron\Core\Report\Document\Node;

/** A section of a draft, as it goes to the report. */
final readonly class TakenSection
{
    /**
     * @param  string  $place  the section of the template that it goes to
     * @param  list<Node>  $paragraphs
     */
    public function __construct(public string $place, public array $paragraphs)
    {
    }
}
