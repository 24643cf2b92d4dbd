<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Ccl;

/** Why a command was refused, and the column (from 1) where reading stopped. */
final class CclProblem extends \RuntimeException
{
    public function __construct(public readonly string $what, public readonly int $column)
    {
        parent::__construct("Column {$column}: {$what}");
    }
}
