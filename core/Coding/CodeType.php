<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

enum CodeType: string
{
    case Choice = 'choice';
    case Choices = 'choices';
    case YesNo = 'yes-no';
    case Number = 'number';
    case Text = 'text';
    case Date = 'date';

    public const YES_NO = ['Yes', 'No', 'Unclear'];

    /** Whether the codebook names what may be chosen. */
    public function hasOptions(): bool
    {
        return $this === self::Choice || $this === self::Choices;
    }

    public function label(): string
    {
        return match ($this) {
            self::Choice => 'one of several',
            self::Choices => 'any of several',
            self::YesNo => 'yes, no or unclear',
            self::Number => 'number',
            self::Text => 'text',
            self::Date => 'date',
        };
    }
}
