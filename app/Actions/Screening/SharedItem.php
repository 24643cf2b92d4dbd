<?php

declare(strict_types=1);

namespace App\Actions\Screening;

/** An item that is shared out, and its place. */
final readonly class SharedItem
{
    /** @param  bool  $waits  whether it can be judged yet */
    public function __construct(public string $id, public int $position, public bool $waits)
    {
    }
}
