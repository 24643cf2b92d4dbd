<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

/** A PDF of a publication as its pages show it. */
final readonly class HeldCopy
{
    /**
     * @param  ?int  $pages  null while it has not been read
     * @param  ?string  $better  the copy that stands in its place, if any
     * @param  string  $evidence  where it is told what rests on it
     * @param  string  $about  where it came from, and when
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $pages,
        public string $url,
        public ?string $better,
        public string $evidence,
        public string $about,
    ) {
    }
}
