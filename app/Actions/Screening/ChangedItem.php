<?php

declare(strict_types=1);

namespace App\Actions\Screening;

/** An item that another rule changes: the state it was in, and its columns as they become. */
final readonly class ChangedItem
{
    /** @param  array{state: string, kind: ?string, settled: bool, criterion_id: ?string}  $now */
    public function __construct(
        public string $before,
        public array $now,
        public bool $isOpen,
    ) {
    }
}
