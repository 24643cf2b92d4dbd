<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

/** What becomes of a study with several groups against one comparator, whose people must not be counted twice. */
enum SeveralGroups: string
{
    case Combine = 'combine';
    case Split = 'split';

    public function label(): string
    {
        return match ($this) {
            self::Combine => 'taken together as one group',
            self::Split => 'kept apart, the comparator shared out among them',
        };
    }
}
