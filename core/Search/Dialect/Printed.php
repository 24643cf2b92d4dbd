<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

/** A part of a query as it is written in a dialect, with how strongly it holds together. */
final readonly class Printed
{
    /** A whole query: nothing around it needs brackets. */
    public const LOOSEST = 0;

    /** What never needs brackets, wherever it stands. */
    public const ATOM = 9;

    public function __construct(public string $text, public int $binds = self::ATOM)
    {
    }

    /** In brackets where what is around it holds together more strongly. */
    public function within(int $around): string
    {
        return $this->binds < $around ? "({$this->text})" : $this->text;
    }
}
