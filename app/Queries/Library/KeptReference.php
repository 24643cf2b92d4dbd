<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Publication;
use App\Models\Record;
use WaryHeron\Core\Bibliography\KeptValues;
use WaryHeron\Core\Bibliography\Reference;

/** A publication as one reference: the best of all its records, with what people chose instead. */
final class KeptReference
{
    /** Null where it has no record of its own. */
    public static function of(Publication $publication): ?Reference
    {
        $records = array_values($publication->records->all());

        return $records === []
            ? null
            : self::values($records)->with(array_column($publication->chosen, 'value', 'field'));
    }

    /** @param  non-empty-list<Record>  $records */
    public static function values(array $records): KeptValues
    {
        return KeptValues::of(
            array_map(fn (Record $record): Reference => Reference::fromArray($record->reference), $records),
        );
    }
}
