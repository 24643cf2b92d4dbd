<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** What somebody said beside a report, and whether they ended the thread with it or opened it again. */
final readonly class Remark
{
    public function __construct(
        public string $id,
        public string $by,
        public string $at,
        public string $body,
        public ?bool $ends,
    ) {
    }
}
