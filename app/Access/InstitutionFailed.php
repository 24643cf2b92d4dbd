<?php

declare(strict_types=1);

namespace App\Access;

use RuntimeException;
use Throwable;

/** Somebody did not come in by their institution; the message is for them, the cause for the log. */
final class InstitutionFailed extends RuntimeException
{
    public function __construct(string $message, ?Throwable $why = null)
    {
        parent::__construct($message, 0, $why);
    }
}
