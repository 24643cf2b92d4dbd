<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** A limit on what the blocks find together, or with $isExclusion everything but it. */
final readonly class BoardLimit
{
    /** @param  string  $text  such as year:2005-2024 */
    public function __construct(
        public string $id,
        public string $text,
        public bool $isExclusion,
        public string $note = '',
    ) {
    }
}
