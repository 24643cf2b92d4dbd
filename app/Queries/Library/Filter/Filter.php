<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** One filter of the library: what it is called in an address, what it says in words, and what it leaves. */
interface Filter
{
    /**
     * @return list<Filter> the filter as it was asked for; none where it was not, or where what it asks for is not
     *     there
     */
    public static function from(Asked $asked, Place $place): array;

    public function key(): string;

    /** As it goes on from "publications". */
    public function words(): string;

    /** Narrows a query that has publications in it. */
    public function apply(Builder $publications): void;
}
