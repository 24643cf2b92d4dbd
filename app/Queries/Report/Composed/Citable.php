<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CodingTable;

/** What a report may cite: the included publications, as one names them in a sentence. */
final class Citable
{
    /** @return array<string, CitableReport> by publication */
    public static function of(Review $review): array
    {
        $names = [];
        foreach (CodingTable::reports($review) as $one) {
            $names[$one->id] = new CitableReport((new Publication((array) $one))->called(), (string) $one->title);
        }

        return $names;
    }
}
