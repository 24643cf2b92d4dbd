<?php

declare(strict_types=1);

namespace App\Sources;

use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Reference;

final readonly class Page
{
    /** @param  list<Reference|UnreadableRecord>  $records */
    public function __construct(public int $total, public array $records)
    {
    }
}
