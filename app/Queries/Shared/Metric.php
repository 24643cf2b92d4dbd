<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use Stringable;

/** A number for whoever watches over a copy, in the text format of Prometheus. */
final readonly class Metric implements Stringable
{
    /** @param  string  $about  what it is, in words */
    public function __construct(private string $name, private string $about, private float $value)
    {
    }

    public function __toString(): string
    {
        return "# HELP {$this->name} {$this->about}\n# TYPE {$this->name} gauge\n{$this->name} {$this->value}\n";
    }
}
