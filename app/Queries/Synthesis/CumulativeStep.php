<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use WaryHeron\Core\Synthesis\Choice\PooledEstimate;

/** What is pooled of the studies up to one, which is named. */
final readonly class CumulativeStep
{
    public function __construct(public string $label, public PooledEstimate $pooled)
    {
    }
}
