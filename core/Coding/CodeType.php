<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

enum CodeType: string
{
    case Choice = 'choice';
    case Choices = 'choices';
    case Number = 'number';
    case Text = 'text';
    case Date = 'date';

    public function hasOptions(): bool
    {
        return $this === self::Choice || $this === self::Choices;
    }
}
