<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use WaryHeron\Core\Synthesis\Report\Field;

/** A number that a form or a design asks for. */
final readonly class AskedNumber
{
    /** @param  int  $arm  the group that it is of; 0 for none */
    private function __construct(
        public string $key,
        public string $label,
        public int $arm,
        public bool $needed,
    ) {
    }

    public static function of(Field $field): self
    {
        return new self($field->key, $field->label, $field->arm, $field->isNeeded);
    }
}
