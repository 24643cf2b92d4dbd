<?php

declare(strict_types=1);

namespace App\Http\Requests\Shared;

use App\Models\Review;
use Illuminate\Validation\Rule;

/** What a recipe for a table of one's own is given as. */
final class RecipeRules
{
    public const TAKEN = ['name.unique' => 'There is a recipe of this name.'];

    private const LONGEST = 20_000;

    /** @return array<string, list<string|object>> of name, format and columns */
    public static function of(Review $review): array
    {
        return [
            'name' => ['required', 'string', 'max:80', Rule::unique('export_recipes')->where('review_id', $review->id)],
            'format' => ['required', 'in:csv,xlsx'],
            'columns' => ['required', 'string', 'max:'.self::LONGEST],
        ];
    }
}
