<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use App\Models\Review;
use Illuminate\Foundation\Http\FormRequest;
use WaryHeron\Core\Coding\AskedWhen;

/** A rule for the in-depth subset as somebody ticks it: answers of one item or several. */
final class SubsetRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'answers' => ['nullable', 'array', 'max:10'],
            'answers.*' => ['array', 'max:200'],
            'answers.*.*' => ['string', 'max:400'],
            'follows' => ['nullable', 'boolean'],
            'all' => ['nullable', 'boolean'],
        ];
    }

    /** @return list<AskedWhen> what names no item or answer that can be chosen is left out */
    public function rule(Review $review): array
    {
        $given = $this->validated()['answers'] ?? [];
        $rule = [];
        foreach ($review->codes()->whereNull('retired_at')->whereIn('id', array_map(strval(...), array_keys($given)))->get() as $code) {
            $answers = array_values(array_intersect($code->code()->choosable(), $given[$code->id]));
            if ($answers !== []) {
                $rule[] = new AskedWhen($code->id, $answers);
            }
        }

        return $rule;
    }
}
