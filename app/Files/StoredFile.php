<?php

declare(strict_types=1);

namespace App\Files;

use App\Files\In\ReferenceFile;
use App\Models\Delivery;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\Table\Columns;

/** A delivered file in the store, to be read as its delivery says. */
final class StoredFile
{
    public static function of(Delivery $delivery): ReferenceFile
    {
        $path = StoredCopy::path("deliveries/{$delivery->file_hash}");
        $columns = $delivery->reading['columns'] ?? null;

        return new ReferenceFile(
            $path,
            $delivery->format !== '' ? $delivery->format : ReferenceFile::formatOf($path),
            new Reading($delivery->reading['encoding'] ?? null),
            $columns === null ? null : new Columns($columns),
            $delivery->reading['delimiter'] ?? null,
        );
    }
}
