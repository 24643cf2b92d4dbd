<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

/** A copy that can be read at the desk. */
final readonly class ReadableCopy
{
    /**
     * @param  ?int  $pages  null while it has not been read
     * @param  string  $paper  where its pages are
     * @param  string  $report  which report it is of
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $pages,
        public string $url,
        public string $paper,
        public string $report,
    ) {
    }
}
