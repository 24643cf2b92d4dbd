<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What was removed from the review, with the reason kept; every other filter leaves it out. */
final readonly class RemovedFilter implements Filter
{
    public static function from(Asked $asked, Place $place): array
    {
        return $asked->is('removed') ? [new self()] : [];
    }

    public function key(): string
    {
        return 'removed';
    }

    public function words(): string
    {
        return 'removed from the review';
    }

    public function apply(Builder $publications): void
    {
        $publications->whereNotNull('publications.removed_at');
    }
}
