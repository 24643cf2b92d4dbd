<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Queries\Coding\ShownEvidence;

/** A passage that was marked in a study. */
final readonly class MarkedPassage
{
    /** @param  string  $themes  it stands under, each with what is above it */
    public function __construct(
        public string $id,
        public ShownEvidence $piece,
        public string $themes,
        public string $memo,
        public string $by,
        public string $url,
    ) {
    }
}
