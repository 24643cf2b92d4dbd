<?php

declare(strict_types=1);

namespace App\Queries\Library;

/** A field of a publication: what is shown of it, why, and what records say otherwise. */
final readonly class ShownValue
{
    /**
     * @param  string  $rule  by which the value was taken; empty where there is one record only
     * @param  string  $from  where it came from
     * @param  bool  $chosen  by a person
     * @param  list<OtherValue>  $others
     */
    public function __construct(
        public string $field,
        public string $label,
        public string $rule,
        public string $value,
        public string $from,
        public bool $chosen,
        public array $others,
    ) {
    }
}
