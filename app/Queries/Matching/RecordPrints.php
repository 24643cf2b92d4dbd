<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use WaryHeron\Core\Matching\Fingerprint;

/** Records as they are compared, and of which publication each is. */
final readonly class RecordPrints
{
    /**
     * @param  list<Fingerprint>  $prints
     * @param  list<string>  $of  the publication of each
     */
    public function __construct(public array $prints, public array $of)
    {
    }

    /** @return array<string, int> places of the records, by their ids */
    public function places(): array
    {
        return array_flip(array_map(fn (Fingerprint $print): string => $print->key, $this->prints));
    }
}
