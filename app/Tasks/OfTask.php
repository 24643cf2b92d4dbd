<?php

declare(strict_types=1);

namespace App\Tasks;

/** A job that does part of a task, so that it takes its turn among the reviews and can be told what it waits for. */
interface OfTask
{
    public function taskId(): ?string;
}
