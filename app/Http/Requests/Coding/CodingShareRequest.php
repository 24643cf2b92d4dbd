<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use Illuminate\Foundation\Http\FormRequest;

/** Among whom studies are shared out for coding, and in which proportion. */
final class CodingShareRequest extends FormRequest
{
    private const HEAVIEST = 100.0;

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'people' => ['nullable', 'array', 'max:200'],
            'people.*' => ['string', 'max:26'],
            'weight' => ['nullable', 'array', 'max:200'],
            'weight.*' => ['nullable', 'numeric', 'min:0', 'max:100'],
            'seed' => ['nullable', 'integer', 'min:0', 'max:2147483647'],
        ];
    }

    /** @return array<string, float> by person, of those chosen */
    public function weights(): array
    {
        $given = $this->validated();
        $weights = [];
        foreach ($given['people'] ?? [] as $person) {
            $weight = (float) ($given['weight'][$person] ?? 1);
            $weights[$person] = $weight > 0 ? min(self::HEAVIEST, $weight) : 1.0;
        }

        return $weights;
    }

    public function seed(): int
    {
        return (int) ($this->validated()['seed'] ?? 1);
    }
}
