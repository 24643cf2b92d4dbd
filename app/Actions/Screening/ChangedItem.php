<?php

declare(strict_types=1);

namespace App\Actions\Screening;

use Illuminate\Support\Arr;
use stdClass;
use WaryHeron\Core\Screening\Outcome;

/** An item that another rule changes: the state it was in, and its columns as they become. */
final readonly class ChangedItem
{
    /** @param  array{state: string, kind: ?string, settled: bool, criterion_id: ?string}  $now */
    private function __construct(
        public string $before,
        public array $now,
        public bool $isOpen,
    ) {
    }

    /**
     * @param  stdClass  $item  its columns as they are
     * @param  array<int, string>  $criteria  by place
     * @return ?self null where nothing changes
     */
    public static function of(stdClass $item, Outcome $outcome, array $criteria): ?self
    {
        $now = [
            'state' => $outcome->state->value,
            'kind' => $outcome->kind?->value,
            'settled' => $outcome->settled,
            'criterion_id' => $outcome->criterion === null ? null : $criteria[$outcome->criterion],
        ];

        return $now === Arr::only((array) $item, array_keys($now))
            ? null
            : new self($item->state, $now, $outcome->state->isOpen());
    }
}
