<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

/** A dialect file that cannot be used, with everything that is wrong with it. */
final class BadDialect extends \RuntimeException
{
    /** @param  non-empty-list<string>  $problems  each names the key it is about */
    public function __construct(public readonly array $problems)
    {
        parent::__construct('The dialect file cannot be used: '.implode(' ', $problems));
    }
}
