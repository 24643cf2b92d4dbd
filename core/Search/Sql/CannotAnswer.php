<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

/** The query asks for something that this table cannot answer. */
final class CannotAnswer extends \RuntimeException
{
    public static function because(string $why): self
    {
        return new self($why);
    }
}
