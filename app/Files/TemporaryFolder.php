<?php

declare(strict_types=1);

namespace App\Files;

/** A folder for what a command needs while it runs. */
final class TemporaryFolder
{
    public static function make(): string
    {
        $path = sys_get_temp_dir().'/heron-'.bin2hex(random_bytes(8));
        if (! mkdir($path, 0700)) {
            throw new \RuntimeException("The folder {$path} cannot be made.");
        }

        return $path;
    }

    public static function remove(string $path): void
    {
        array_map(unlink(...), glob("{$path}/*") ?: []);
        @rmdir($path);
    }
}
