<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

/** @internal */
final readonly class Token
{
    public function __construct(
        public TokenKind $kind,
        public string $text,
        public Span $span,
        public bool $touchesNext,
    ) {
    }
}
