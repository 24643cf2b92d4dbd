<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum ItemState: string
{
    case Waiting = 'waiting';
    case Disagreement = 'disagreement';
    case Included = 'included';
    case Excluded = 'excluded';

    /** It cannot be judged yet: its text is not at hand, or its title has not been included. */
    case Awaited = 'awaited';

    /** Of a publication that was found to be another; its decisions count there. */
    case Folded = 'folded';

    /** Of a publication that people took out of the review; its decisions are kept. */
    case Removed = 'removed';

    /**
     * How an item that decisions leave in this state stands where its title is judged first.
     *
     * @param  ?self  $title  how it stands by its title; null where its title was never asked about
     */
    public function behind(?self $title): self
    {
        return match ($title) {
            null, self::Included => $this,
            self::Excluded => self::Excluded,
            default => self::Awaited,
        };
    }

    /** Blinding holds while decisions are missing, and no longer. */
    public function isOpen(): bool
    {
        return in_array($this, [self::Disagreement, self::Included, self::Excluded], true);
    }
}
