<?php

declare(strict_types=1);

namespace App\Files\In;

/** A file as it lies on this machine, with the name it came by. */
final readonly class UnpackedFile
{
    public function __construct(public string $path, public string $name)
    {
    }
}
