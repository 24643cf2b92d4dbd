<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

use WaryHeron\Core\Search\Text\Mask;

/** One word as typed; truncated means that any ending may follow. Within it the signs of Mask stand for letters. */
final readonly class Word implements Node
{
    public function __construct(public string $text, public bool $truncated = false)
    {
    }

    public function isMasked(): bool
    {
        return Mask::isIn($this->text);
    }
}
