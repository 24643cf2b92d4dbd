<?php

declare(strict_types=1);

namespace App\Http\Requests\Matching;

use App\Models\Review;
use Illuminate\Http\Request;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Matching\MatchSettings;

/** The matching settings that a page asks to try or to keep; what it does not say is as the review has it. */
final class TriedSettings
{
    private const ABOVE = [
        'ask.lte' => 'What is joined without asking must be more certain than what people are asked about.',
    ];

    public static function of(Request $request, Review $review): MatchSettings
    {
        $kept = $review->matchSettings();
        $given = $request->validate(self::rules(), self::ABOVE);
        if (isset($given['preset'])) {
            return MatchSettings::preset($given['preset']);
        }
        $emphasis = [];
        foreach (MatchField::cases() as $field) {
            $factor = (float) ($given['emphasis'][$field->value] ?? $kept->emphasis($field));
            if ($factor !== 1.0) {
                $emphasis[$field->value] = $factor;
            }
        }

        return new MatchSettings(
            (float) ($given['certain'] ?? $kept->certain),
            (float) ($given['ask'] ?? $kept->ask),
            $emphasis,
        );
    }

    /** @return array<string, list<string|object>> */
    private static function rules(): array
    {
        return [
            'preset' => ['nullable', 'in:'.implode(',', array_keys(MatchSettings::PRESETS))],
            'certain' => ['nullable', 'numeric', 'between:-2,60'],
            'ask' => ['nullable', 'numeric', 'between:-2,60', 'lte:certain'],
            'emphasis' => ['nullable', 'array'],
            'emphasis.*' => ['numeric', 'in:0,0.5,1,1.5,2'],
        ];
    }
}
