<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Book;

final class BadBook extends \DomainException
{
    public static function noItems(): self
    {
        return new self('It holds no items. {"items": [{"label": …, "type": …}]} was expected.');
    }

    public static function noColumns(): self
    {
        return new self('Its first row names no columns “label” and “type”. Nothing was taken in.');
    }

    public static function item(int $number, string $why): self
    {
        return new self("Item {$number}: {$why} Nothing was taken in.");
    }
}
