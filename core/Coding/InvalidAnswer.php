<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

final class InvalidAnswer extends \DomainException
{
    /** @param  list<string>  $options */
    public static function notAnOption(string $given, array $options): self
    {
        return new self('“'.mb_strimwidth($given, 0, 60, '…').'” is not one of: '.implode(', ', $options).'.');
    }

    public static function notANumber(string $given): self
    {
        return new self(
            '“'.
                mb_strimwidth($given, 0, 60, '…').
                '” is not a number. Write it as 1250 or 12.5; the unit stands beside the box.',
        );
    }

    public static function notADate(string $given): self
    {
        return new self('“'.mb_strimwidth($given, 0, 60, '…').'” is not a date. Write it as 2026-11-23.');
    }

    public static function notOneValue(): self
    {
        return new self('One value was expected here.');
    }
}
