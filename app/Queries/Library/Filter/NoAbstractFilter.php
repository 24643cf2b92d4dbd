<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What has no abstract. */
final readonly class NoAbstractFilter implements Filter
{
    public static function from(Asked $asked, Place $place): array
    {
        return $asked->is('no_abstract') ? [new self()] : [];
    }

    public function key(): string
    {
        return 'no_abstract';
    }

    public function words(): string
    {
        return 'without an abstract';
    }

    public function apply(Builder $publications): void
    {
        $publications->where('publications.abstract', '');
    }
}
