<?php

declare(strict_types=1);

namespace App\Jobs\Screening;

/** Texts of items that are decided, and whether each was included. */
final readonly class JudgedTexts
{
    /**
     * @param  list<string>  $texts
     * @param  list<bool>  $included
     */
    public function __construct(
        public array $texts,
        public array $included,
    ) {
    }
}
