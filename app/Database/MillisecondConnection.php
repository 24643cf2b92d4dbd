<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\PostgresConnection;

final class MillisecondConnection extends PostgresConnection
{
    protected function getDefaultQueryGrammar(): MillisecondGrammar
    {
        return new MillisecondGrammar($this);
    }
}
