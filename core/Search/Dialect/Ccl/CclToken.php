<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Ccl;

/** @internal */
final readonly class CclToken
{
    /** @param  string  $kind  word, quoted, % or end; else the sign itself */
    public function __construct(public string $kind, public string $text, public int $column)
    {
    }
}
