<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

/** A strategy's lines down, the databases across. */
final readonly class TranslatedStrategy
{
    /**
     * @param  list<DatabaseColumn>  $columns
     * @param  list<TranslatedRow>  $rows
     */
    public function __construct(public array $columns, public array $rows)
    {
    }
}
