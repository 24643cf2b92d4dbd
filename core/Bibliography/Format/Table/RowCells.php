<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

use WaryHeron\Core\Bibliography\SourceField;

/** The cells of a row by field, and those that no field is for, by their headings. */
final readonly class RowCells
{
    /**
     * @param  array<string, string>  $values
     * @param  list<SourceField>  $extra
     */
    public function __construct(
        public array $values,
        public array $extra,
    ) {
    }
}
