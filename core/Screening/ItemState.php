<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum ItemState: string
{
    case Waiting = 'waiting';
    case Disagreement = 'disagreement';
    case Included = 'included';
    case Excluded = 'excluded';

    /** In full text: it cannot be judged yet, since its text is not at hand. */
    case Awaited = 'awaited';

    /** Of a publication that was found to be another; its decisions count there. */
    case Folded = 'folded';

    /** Of a publication that people took out of the review; its decisions are kept. */
    case Removed = 'removed';

    /** Blinding holds while decisions are missing, and no longer. */
    public function isOpen(): bool
    {
        return in_array($this, [self::Disagreement, self::Included, self::Excluded], true);
    }
}
