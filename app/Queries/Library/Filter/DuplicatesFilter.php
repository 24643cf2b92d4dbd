<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What was delivered more than once. */
final readonly class DuplicatesFilter implements Filter
{
    public static function from(Asked $asked, Place $place): array
    {
        return $asked->is('duplicates') ? [new self()] : [];
    }

    public function key(): string
    {
        return 'duplicates';
    }

    public function words(): string
    {
        return 'delivered more than once';
    }

    public function apply(Builder $publications): void
    {
        $publications->where('publications.records_count', '>', 1);
    }
}
