<?php

declare(strict_types=1);

namespace App\Files\Out;

/** Words that were written in one go with one client, or what stands between them live. */
final readonly class WrittenRun
{
    /** @param  ?int  $client  null for what nobody wrote: a live number, a citation, the number of a figure */
    public function __construct(public ?int $client, public string $text)
    {
    }
}
