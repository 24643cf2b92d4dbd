<?php

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClock;

/** The contract that Carbon's factory declares; nothing here asks such a clock for the time. */
interface ClockInterface extends PsrClock
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
