<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** A publication that a copy may be of, with what speaks for it. */
final readonly class CopyOffer
{
    /** @param  'firm'|'fair'|'check'  $confidence */
    public function __construct(public string $publication, public string $confidence, public string $because)
    {
    }
}
