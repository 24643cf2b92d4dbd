<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Asked;

/** What an answer is. */
enum ItemType: string
{
    case Choice = 'choice';
    case Country = 'country';
    case Text = 'text';
    case Number = 'number';
    case Duration = 'duration';
    case Estimate = 'estimate';
    case PValue = 'p';
    case Identifier = 'identifier';
}
