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
    public static function of(Request $request, Review $review): MatchSettings
    {
        $kept = $review->matchSettings();
        $given = self::given($request);
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

    /** @return array<string, mixed> */
    private static function given(Request $request): array
    {
        return $request->validate(
            [
                'preset' => ['nullable', 'in:'.implode(',', array_keys(MatchSettings::PRESETS))],
                'certain' => ['nullable', 'numeric', 'between:-2,60'],
                'ask' => ['nullable', 'numeric', 'between:-2,60', 'lte:certain'],
                'emphasis' => ['nullable', 'array'],
                'emphasis.*' => ['numeric', 'in:0,0.5,1,1.5,2'],
            ],
            ['ask.lte' => 'What is joined without asking must be more certain than what people are asked about.'],
        );
    }
}
