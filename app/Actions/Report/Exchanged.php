<?php

declare(strict_types=1);

namespace App\Actions\Report;

/** What others changed in a report, for a page. */
final readonly class Exchanged
{
    /**
     * @param  int  $seq  up to which the page has all then
     * @param  list<string>  $updates  base64
     * @param  ?string  $base  for a page that has nothing, or fell behind
     */
    public function __construct(public int $seq, public array $updates, public ?string $base)
    {
    }
}
