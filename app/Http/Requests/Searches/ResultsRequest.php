<?php

declare(strict_types=1);

namespace App\Http\Requests\Searches;

use App\Models\Strategy;
use App\Sources\Order;
use Illuminate\Foundation\Http\FormRequest;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;

/** Which line of a strategy is looked at, or a query beside it, in which database, on which page, in which order. */
final class ResultsRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'source' => ['nullable', 'string'],
            'line' => ['nullable', 'integer', 'min:1'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'query' => ['nullable', 'string', 'max:2000'],
            'order' => ['nullable', 'in:newest,oldest,relevance'],
        ];
    }

    /** One that the strategy is for, or there is no such page. */
    public function source(Strategy $strategy): string
    {
        $asked = $this->validated('source') ?? '';

        return in_array($asked, $strategy->sources, true) ? $asked : $strategy->sources[0] ?? abort(404);
    }

    public function line(Lines $lines): int
    {
        return (int) ($this->validated('line') ?? ($lines->resultNumber() ?? 1));
    }

    /** Null where a line is meant. */
    public function written(): ?string
    {
        return $this->validated('query');
    }

    public function page(): int
    {
        return (int) ($this->validated('page') ?? 1);
    }

    public function order(): Order
    {
        return Order::from($this->validated('order') ?? 'newest');
    }
}
