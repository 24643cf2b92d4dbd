<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

use WaryHeron\Core\Search\Strategy\Translated\Translation;

/** A database, or a dialect of the team's own, that a strategy is translated for. */
final readonly class DatabaseColumn
{
    /** @param  ?string  $source  where it can be asked from here; null where it cannot */
    public function __construct(
        public string $key,
        public string $name,
        public string $dialect,
        public Translation $translation,
        public ?string $source,
    ) {
    }
}
