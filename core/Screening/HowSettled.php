<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** How a disagreement came to its end. */
enum HowSettled: string
{
    case Agreement = 'agreement';
    case Lead = 'lead';
    case Third = 'third';

    public function words(string $person): string
    {
        return match ($this) {
            self::Agreement => 'by agreement',
            self::Lead => "by {$person}, who leads",
            self::Third => "by {$person}, a third reviewer",
        };
    }
}
