<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

/** Something that was said of an item in Talk. */
final readonly class TalkLine
{
    public function __construct(public string $id, public string $by, public string $at, public string $body)
    {
    }
}
