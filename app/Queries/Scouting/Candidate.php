<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use WaryHeron\Core\Bibliography\Reference;

/** A record that may answer, and where it is from. */
final readonly class Candidate
{
    public string $key;

    /** @param  ?string  $publication  of the review's library */
    public function __construct(public string $source, public ?string $publication, public Reference $reference)
    {
        $number = $reference->accession;
        $own = $publication ?? ($number !== '' ? $number : md5(mb_strtolower($reference->fullTitle())));
        $this->key = mb_substr("{$source}:{$own}", 0, 300);
    }
}
