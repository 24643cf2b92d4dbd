<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

/** How many papers a draft has read, and what became of them. */
final readonly class PaperCounts
{
    /**
     * @param  int  $in  that fit
     * @param  int  $inFull  that are read closely
     * @param  int  $copies  of which there is a PDF
     * @param  int  $ruled  on which a person has ruled
     */
    public function __construct(
        public int $read,
        public int $in,
        public int $inFull,
        public int $copies,
        public int $ruled,
    ) {
    }
}
