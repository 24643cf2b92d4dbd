<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Criterion;
use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Screening\ItemState;

/** What was excluded for failing a criterion. */
final readonly class ReasonFilter implements Filter
{
    private function __construct(private Criterion $criterion, private Place $place)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $id = $asked->id('reason');
        $criterion = $id === null ? null : Criterion::query()->where('review_id', $place->review->id)->find($id);

        return $criterion === null ? [] : [new self($criterion, $place)];
    }

    public function key(): string
    {
        return 'reason';
    }

    public function words(): string
    {
        return "excluded: {$this->criterion->reason}";
    }

    public function apply(Builder $publications): void
    {
        Items::where(
            $publications,
            $this->place->stage,
            fn (Builder $items) => $items
                ->where('items.state', ItemState::Excluded->value)
                ->where('items.criterion_id', $this->criterion->id),
        );
    }
}
