<?php

declare(strict_types=1);

namespace App\Http\Requests\Searches;

use App\Models\Strategy;
use App\Sources\Order;
use Illuminate\Foundation\Http\FormRequest;
use WaryHeron\Core\Bibliography\Format\Formats;

/** Which records of a line are wanted as a file, in which form: a range, a batch, or those that were picked. */
final class DownloadRequest extends FormRequest
{
    /** The most records that are handed over without a delivery. */
    public const MOST = 2000;

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        $strategy = $this->route('strategy');

        return [
            'source' => ['required', 'in:'.implode(',', $strategy instanceof Strategy ? $strategy->sources : [])],
            'line' => ['required', 'integer', 'min:1'],
            'from' => ['required_without:batch', 'nullable', 'integer', 'min:1', 'max:100000000'],
            'to' => ['required_without:batch', 'nullable', 'integer', 'gte:from', 'max:100000000'],
            'batch' => ['nullable', 'integer', 'min:1', 'max:100000000'],
            'format' => ['required', 'in:xlsx,'.implode(',', array_keys(Formats::writers()))],
            'fields' => ['required', 'in:citation,abstract,complete'],
            'strategy' => ['boolean'],
            'picked' => ['nullable', 'string', 'regex:/^\d{1,7}(?:,\d{1,7}){0,1999}$/'],
            'order' => ['nullable', 'in:newest,oldest,relevance'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['to.gte' => 'The range ends before it begins.'];
    }

    public function line(): int
    {
        return (int) $this->validated('line');
    }

    public function order(): Order
    {
        return Order::from($this->validated('order') ?? 'newest');
    }

    /** @return list<int> from 1, of those that the list has */
    public function places(int $total): array
    {
        $wanted = match (true) {
            $this->isPicked() => array_map(intval(...), explode(',', $this->validated('picked'))),
            $this->first() > $total => [],
            default => range($this->first(), min($this->last(), $total)),
        };

        return array_values(array_filter($wanted, fn (int $place): bool => $place >= 1 && $place <= $total));
    }

    public function beyond(int $total): string
    {
        [$end, $from] = [number_format($total), number_format($this->first())];

        return "The list ends with record {$end}, so there is nothing from {$from} on.";
    }

    /** @param  non-empty-list<int>  $places */
    public function fileName(array $places): string
    {
        $source = $this->validated('source');

        return $this->isPicked() ? "{$source}-picked" : "{$source}-{$this->first()}-".end($places);
    }

    private function isPicked(): bool
    {
        return $this->validated('picked') !== null && $this->validated('batch') === null;
    }

    private function first(): int
    {
        return (int) ($this->validated('batch') ?? $this->validated('from'));
    }

    private function last(): int
    {
        $asked = $this->validated('batch') === null ? (int) $this->validated('to') : PHP_INT_MAX;

        return min($asked, $this->first() + self::MOST - 1);
    }
}
