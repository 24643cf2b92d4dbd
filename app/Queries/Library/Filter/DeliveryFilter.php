<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Delivery;
use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What one delivery brought, whatever else brought it too. */
final readonly class DeliveryFilter implements Filter
{
    private function __construct(private Delivery $delivery)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $id = $asked->id('delivery');
        $delivery = $id === null ? null : Delivery::query()->where('review_id', $place->review->id)->find($id);

        return $delivery === null ? [] : [new self($delivery)];
    }

    public function key(): string
    {
        return 'delivery';
    }

    public function words(): string
    {
        return 'from '.($this->delivery->file_name ?? $this->delivery->source_name);
    }

    public function apply(Builder $publications): void
    {
        RecordsOf::where(
            $publications,
            fn (Builder $records) => $records->where('records.delivery_id', $this->delivery->id),
        );
    }
}
