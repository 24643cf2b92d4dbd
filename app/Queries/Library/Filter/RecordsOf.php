<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use Illuminate\Database\Query\Builder;

/** A condition on the records that a publication is of. */
final class RecordsOf
{
    /** @param  \Closure(Builder): mixed  $condition  on records and the deliveries they came in */
    public static function where(Builder $publications, \Closure $condition): void
    {
        $publications->whereExists(function (Builder $records) use ($condition): void {
            $condition(
                $records
                    ->selectRaw('1')
                    ->from('records')
                    ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
                    ->whereColumn('records.review_id', 'publications.review_id')
                    ->whereColumn('records.publication_id', 'publications.id'),
            );
        });
    }
}
