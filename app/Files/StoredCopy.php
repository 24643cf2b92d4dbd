<?php

declare(strict_types=1);

namespace App\Files;

use App\Actions\Shared\Refused;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\Storage;

/** A file of the store beside its path on this machine; from a store elsewhere it is copied here first. */
final class StoredCopy
{
    /** @var array<string, string> where copies lie, by what they are copies of, until the request or the job is over */
    private static array $copies = [];

    public static function path(string $stored): string
    {
        $path = Storage::path($stored);
        if (is_file($path)) {
            return $path;
        }
        if (isset(self::$copies[$stored])) {
            return self::$copies[$stored];
        }
        $stream = Storage::readStream($stored) ?? throw new \RuntimeException("{$stored} is not in the store.");
        $copy = (string) tempnam(sys_get_temp_dir(), 'heron');
        if (file_put_contents($copy, $stream) !== Storage::size($stored)) {
            unlink($copy);
            throw new \RuntimeException("{$stored} came from the store in part only.");
        }
        self::$copies === [] && register_shutdown_function(self::tidy(...));

        return self::$copies[$stored] = $copy;
    }

    /** Throws away what was copied here. A worker lives for an hour, in which copies would fill its disk. */
    public static function tidy(): void
    {
        array_map(fn (string $copy): bool => @unlink($copy), self::$copies);
        self::$copies = [];
    }

    /** Whether there is a store that takes files. */
    public static function canKeep(): bool
    {
        $disk = Storage::disk();

        return $disk instanceof LocalFilesystemAdapter
            ? is_writable(storage_path('app'))
            : rescue(fn (): bool => $disk->exists('ready') || true, false, false);
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
