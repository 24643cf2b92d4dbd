<?php

declare(strict_types=1);

namespace App\Queries\Report;

use App\Models\LogEntry;
use App\Models\User;
use App\Queries\Shared\Visibility;

/** The Log as rows of a file, as far as somebody may read it. */
final class LogRows
{
    private const PART = 1000;

    /** @return iterable<list<string>> the first row names the columns */
    public static function of(LogFilters $filters, User $reader): iterable
    {
        yield ['when', 'who', 'action', 'what'];
        foreach ($filters->query()->reorder()->lazyByIdDesc(self::PART, 'log_entries.id', 'id')->chunk(self::PART) as $entries) {
            /** @var list<LogEntry> $some */
            $some = $entries->all();
            Visibility::withoutNames($some, $reader);
            foreach ($some as $entry) {
                yield [
                    $entry->created_at->toIso8601String(),
                    $entry->user->name ?? 'Wary Heron',
                    $entry->action,
                    $entry->summary,
                ];
            }
        }
    }
}
