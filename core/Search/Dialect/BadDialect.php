<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

final class BadDialect extends \RuntimeException
{
    public static function notJson(string $why): self
    {
        return new self("The dialect file is not valid JSON: {$why}.");
    }

    public static function without(string $key): self
    {
        return new self("The dialect file has no “{$key}”.");
    }

    public static function unknownField(string $field): self
    {
        return new self("The dialect file gives a notation for “{$field}”, which is not a field.");
    }
}
