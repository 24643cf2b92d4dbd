<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Support\Facades\Storage;

/** A file of the store beside its path on this machine; from a store elsewhere it is copied here first. */
final class StoredCopy
{
    public static function path(string $stored): string
    {
        $path = Storage::path($stored);
        if (is_file($path)) {
            return $path;
        }
        $stream = Storage::readStream($stored) ?? throw new \RuntimeException("{$stored} is not in the store.");
        $copy = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($copy, $stream);
        register_shutdown_function(fn () => @unlink($copy));

        return $copy;
    }

    /** Keeps a file of this machine in the store, read as a stream. */
    public static function keep(string $path, string $stored): void
    {
        $file = fopen($path, 'rb') ?: throw new \RuntimeException('The file cannot be read.');
        Storage::put($stored, $file);
        is_resource($file) && fclose($file);
    }
}
