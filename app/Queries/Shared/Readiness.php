<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** Which parts of a running copy answer. */
final readonly class Readiness
{
    public function __construct(public bool $database, public bool $storage, public bool $workers)
    {
    }

    /** Whether it can be sent requests: what workers do can wait. */
    public function canServe(): bool
    {
        return $this->database && $this->storage;
    }
}
