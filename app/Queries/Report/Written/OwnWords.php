<?php

declare(strict_types=1);

namespace App\Queries\Report\Written;

/** Words that one person wrote one after another, on however many pages. */
final readonly class OwnWords
{
    /** @param  ?string  $by  an id, or nobody; null for what stands there live */
    public function __construct(public ?string $by, public string $text)
    {
    }
}
