<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Screening\ItemState;

/** What came to a later stage, however it stands there; state and reason say more and take its place. */
final readonly class StageFilter implements Filter
{
    private function __construct(private Place $place)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $saysMore = StateFilter::from($asked, $place) !== [] || $asked->id('reason') !== null;

        return $saysMore || $place->stage->id === $place->review->firstStage()->id ? [] : [new self($place)];
    }

    public function key(): string
    {
        return 'stage';
    }

    public function words(): string
    {
        return 'that came to '.$this->place->stageName();
    }

    public function apply(Builder $publications): void
    {
        $gone = [ItemState::Folded->value, ItemState::Removed->value];
        Items::where(
            $publications,
            $this->place->stage,
            fn (Builder $items) => $items->whereNotIn('items.state', $gone),
        );
    }
}
