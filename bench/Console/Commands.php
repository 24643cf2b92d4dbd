<?php

declare(strict_types=1);

namespace Bench\Console;

/** Commands that make large reviews and time what is done with them; a copy without development's classes has none. */
final class Commands
{
    public const ALL = [
        BenchArchive::class,
        BenchDeliver::class,
        BenchSearch::class,
        BenchSynthesis::class,
        MakeBusy::class,
        MakeLargeReview::class,
        MakeLoad::class,
        MakeLongReport::class,
        StartWork::class,
    ];
}
