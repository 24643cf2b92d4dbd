<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\Settlement;
use App\Models\TalkMessage;
use App\Queries\Screening\Desk;
use App\Queries\Screening\OpenItems;
use Illuminate\Support\Collection;

/** All that has been said of an item that is not settled, or was. */
final readonly class SaidOfItem
{
    /**
     * @param  ?DeskItem  $shown  as it is read
     * @param  Collection<int, TalkMessage>  $talk
     * @param  Collection<int, Proposal>  $proposals
     */
    private function __construct(
        public ?DeskItem $shown,
        public Collection $talk,
        public Collection $proposals,
        public ?Settlement $settlement,
    ) {
    }

    /** Where there is no item to speak of. */
    public static function none(): self
    {
        return new self(null, new Collection(), new Collection(), null);
    }

    public static function of(Item $item, Desk $desk): self
    {
        return new self(
            $desk->item($item->id),
            OpenItems::talk($item),
            OpenItems::proposals($item),
            Settlement::query()
                ->where('review_id', $item->review_id)
                ->where('item_id', $item->id)
                ->whereNull('superseded_at')
                ->with('user', 'criterion')
                ->first(),
        );
    }
}
