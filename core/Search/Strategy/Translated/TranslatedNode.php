<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy\Translated;

use WaryHeron\Core\Search\Dialect\TranslationNote;
use WaryHeron\Core\Search\Query\Node\Node;

/** A query as a source can be asked it, null where nothing of it can be said there, with what was changed. */
final readonly class TranslatedNode
{
    /** @param  list<TranslationNote>  $notes */
    public function __construct(
        public ?Node $node,
        public array $notes = [],
    ) {
    }
}
