<?php

declare(strict_types=1);

namespace App\Queries\Asking;

use App\Queries\Report\Claims\PieceRef;

/** What is shown of a piece that may answer a question: what it says, and where it stands. */
final readonly class ShownPiece
{
    /**
     * @param  string  $kind  of PieceKind
     * @param  string  $study  of which it is told, '' for none
     * @param  string  $where  within it, in words
     * @param  string  $publication  its id, '' for none
     * @param  ?PieceRef  $evidence  by which a claim may rest on it; null where none may
     */
    public function __construct(
        public string $kind,
        public string $says,
        public string $quote,
        public string $study,
        public string $where,
        public string $url,
        public string $publication,
        public ?PieceRef $evidence = null,
    ) {
    }
}
