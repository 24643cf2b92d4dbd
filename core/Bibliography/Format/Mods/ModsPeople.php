<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Mods;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\SourceField;

/** Who is named in a record: authors, editors, and all others under what they did. */
final readonly class ModsPeople
{
    /**
     * @param  list<Name>  $authors
     * @param  list<Name>  $editors
     * @param  list<SourceField>  $others
     */
    public function __construct(
        public array $authors,
        public array $editors = [],
        public array $others = [],
    ) {
    }
}
