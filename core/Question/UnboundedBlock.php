<?php

declare(strict_types=1);

namespace WaryHeron\Core\Question;

use WaryHeron\Core\Search\Strategy\Block;

/** A block that hardly narrows what a search finds. */
final readonly class UnboundedBlock
{
    /**
     * @param  int  $count  records it finds by itself
     * @param  int  $narrowest  records that the narrowest block finds
     */
    public function __construct(public Block $block, public int $count, public int $narrowest)
    {
    }
}
