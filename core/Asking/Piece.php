<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

/** Something that a review holds and that may answer: an answer, a result, a passage, a sentence. */
final readonly class Piece
{
    /**
     * @param  string  $id  whatever finds it again
     * @param  string  $label  what it is said of, such as an item or an outcome; empty if it is of nothing named
     * @param  string  $says  the words that are shown
     * @param  string  $beside  words near it that tell what it is about, such as a title; they weigh less
     */
    public function __construct(
        public PieceKind $kind,
        public string $id,
        public string $says,
        public string $label = '',
        public string $beside = '',
    ) {
    }
}
