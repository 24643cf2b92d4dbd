<?php

declare(strict_types=1);

namespace App\Tasks;

/** How far background work is. */
enum TaskState: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    /** @return list<self> what is not over */
    public static function underWay(): array
    {
        return [self::Queued, self::Running];
    }

    public function isUnderWay(): bool
    {
        return in_array($this, self::underWay(), true);
    }
}
