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

    public static function outside(int|float $given, ?float $minimum, ?float $maximum): self
    {
        $bounds = match (true) {
            $minimum === null => "at most {$maximum}",
            $maximum === null => "at least {$minimum}",
            default => "between {$minimum} and {$maximum}",
        };

        return new self("{$given} cannot be: the codebook expects {$bounds}.");
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
