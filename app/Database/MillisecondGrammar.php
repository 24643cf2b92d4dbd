<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Query\Grammars\PostgresGrammar;

/** Sends times with milliseconds and their offset: what came first is told by when it was said. */
final class MillisecondGrammar extends PostgresGrammar
{
    public function getDateFormat(): string
    {
        return 'Y-m-d H:i:s.vP';
    }
}
