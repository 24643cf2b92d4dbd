<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Delivery;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\Table\Columns;

/** A delivered file in the store, to be read as its delivery says. */
final class StoredFile
{
    public static function of(Delivery $delivery): ReferenceFile
    {
        $path = self::path((string) $delivery->file_hash);
        $columns = $delivery->reading['columns'] ?? null;

        return new ReferenceFile(
            $path, $delivery->format !== '' ? $delivery->format : ReferenceFile::formatOf($path), new Reading($delivery->reading['encoding'] ?? null),
            $columns === null ? null : new Columns($columns), $delivery->reading['delimiter'] ?? null,
        );
    }

    /** A path on this machine; from a store elsewhere the file is copied here first. */
    private static function path(string $hash): string
    {
        $path = Storage::path("deliveries/{$hash}");
        if (is_file($path)) {
            return $path;
        }
        $stream = Storage::readStream("deliveries/{$hash}") ?? throw new \RuntimeException('The delivered file is not in the store.');
        $copy = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($copy, $stream);
        register_shutdown_function(fn () => @unlink($copy));

        return $copy;
    }
}
