<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

use WaryHeron\Core\Search\Query\Operator;

/** Earlier lines by number: one line, or several joined by OR (any) or AND (all). */
final readonly class LineReference implements Node
{
    /** @param  non-empty-list<array{int, int}>  $ranges first and last line of each range */
    public function __construct(public array $ranges, public ?Operator $join = null)
    {
    }

    /** @return list<int> */
    public function lines(): array
    {
        return array_merge(...array_map(fn (array $range): array => range($range[0], $range[1]), $this->ranges));
    }
}
