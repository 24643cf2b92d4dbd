<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Screening\ItemState;

/** How something stands at a stage. */
final readonly class StateFilter implements Filter
{
    /** By what the address says: words, and the states that are meant. */
    private const STATES = [
        'included' => ['included', [ItemState::Included]],
        'excluded' => ['excluded', [ItemState::Excluded]],
        'disagreement' => ['in disagreement', [ItemState::Disagreement]],
        'waiting' => ['not open yet', [ItemState::Waiting]],
        'awaited' => ['not yet come to it', [ItemState::Awaited]],
        'undecided' => ['with decisions missing', [ItemState::Waiting, ItemState::Awaited]],
        'pending' => ['without a final decision', [ItemState::Waiting, ItemState::Awaited, ItemState::Disagreement]],
    ];

    private function __construct(private string $state, private Place $place)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $state = $asked->text('state');

        return isset(self::STATES[$state]) ? [new self($state, $place)] : [];
    }

    public function key(): string
    {
        return 'state';
    }

    public function words(): string
    {
        return self::STATES[$this->state][0].$this->place->atStage();
    }

    public function apply(Builder $publications): void
    {
        $states = array_column(self::STATES[$this->state][1], 'value');
        Items::where($publications, $this->place->stage, fn (Builder $items) => $items->whereIn('items.state', $states));
    }
}
