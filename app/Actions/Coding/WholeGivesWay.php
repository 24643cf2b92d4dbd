<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Queries\Coding\AnswerSlot;

/** What was said of a study as a whole gives way to what the same hand says of a part of it. */
final class WholeGivesWay
{
    public static function to(AnswerSlot $slot, string $hand): void
    {
        if ($slot->part !== null) {
            $slot->whole()->answers()->where('hand', $hand)->update(['superseded_at' => now()]);
        }
    }
}
