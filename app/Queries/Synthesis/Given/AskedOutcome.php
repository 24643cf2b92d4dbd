<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use App\Models\ReviewOutcome;

/** An outcome that results can be given of. */
final readonly class AskedOutcome
{
    /** @param  list<string>  $scales */
    private function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public string $unit,
        public string $about,
        public bool $isOfTwo,
        public array $scales,
    ) {
    }

    public static function of(ReviewOutcome $one): self
    {
        return new self(
            $one->id,
            $one->name,
            $one->kind->value,
            $one->unit,
            $one->about,
            $one->kind->isOfTwo(),
            array_column($one->scales, 'name'),
        );
    }
}
