<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** A document that is none, with the place and the reason. */
final class BadDocument extends \RuntimeException
{
    public static function at(string $path, string $why): self
    {
        return new self("At {$path}: {$why}.");
    }
}
