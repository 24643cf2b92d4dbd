<?php

declare(strict_types=1);

namespace App\Queries\Api;

/** Everything of a review that programs read as lists. */
final class Listings
{
    /** @return array<string, Listing> by name */
    public static function all(): array
    {
        $all = [
            ...TeamListings::all(),
            ...SearchListings::all(),
            ...RecordListings::all(),
            ...ScreeningListings::all(),
            ...CodingListings::all(),
            ...SynthesisListings::all(),
        ];

        return array_combine(array_map(fn (Listing $one): string => $one->name, $all), $all);
    }
}
