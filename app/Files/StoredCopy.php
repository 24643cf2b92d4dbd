<?php

declare(strict_types=1);

namespace App\Files;

use App\Actions\Shared\Refused;
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

    /**
     * Keeps a file of this machine in the store, read as a stream: whole or not at all.
     *
     * @throws Refused If the store has no room, or cannot be reached.
     */
    public static function keep(string $path, string $stored): void
    {
        $file = fopen($path, 'rb') ?: throw new \RuntimeException('The file cannot be read.');
        try {
            $isKept = Storage::put($stored, $file) && Storage::size($stored) === filesize($path);
        } catch (\Throwable $why) {
            report($why);
            $isKept = false;
        } finally {
            is_resource($file) && fclose($file);
        }
        if (! $isKept) {
            rescue(fn () => Storage::delete($stored), report: false);
            throw new Refused(
                'The file could not be kept: the store of this copy has no room or cannot be reached. Nothing of it was kept; tell whoever runs the copy.',
            );
        }
    }
}
