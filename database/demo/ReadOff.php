<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\Publication;
use Carbon\CarbonImmutable;

/** What the demo's coders read off an abstract. */
final class ReadOff
{
    /**
     * @return array<string, array{mixed, string}> what the abstract tells: an answer and the words it rests on, by item
     *     of the codebook
     */
    public static function of(Publication $publication): array
    {
        $text = $publication->abstract;
        $sentence = function (string $pattern) use ($text): string {
            foreach (preg_split('/(?<=[.!?])\s+(?=\p{Lu})/u', $text) ?: [] as $one) {
                if (preg_match($pattern, $one) === 1) {
                    return (string) preg_replace('/^[\p{L} ]{4,30}: /u', '', $one);
                }
            }

            return '';
        };
        $whole = mb_strtolower("{$publication->title} {$text}");
        $design = match (true) {
            str_contains($whole, 'cluster') || str_contains($whole, 'stepped-wedge') => 'cluster trial',
            str_contains($whole, 'crossover') ||
                str_contains($whole, 'own controls') ||
                str_contains($whole, 'random order') => 'crossover trial',
            preg_match('/randomi|randomly|allocated/', $whole) === 1 => 'parallel-group trial',
            str_contains($whole, 'before') => 'before-after study',
            default => 'other',
        };
        $people = array_keys(
            array_filter([
                'nurses' => preg_match('/nurs|midwi/', $whole),
                'doctors' => preg_match('/doctor|physician|residents\b/', $whole),
                'ambulance staff' => preg_match('/ambulance/', $whole),
                'pharmacy or laboratory' => preg_match('/pharmac|laborator/', $whole),
            ]),
        ) ?: ['mixed or other'];
        $told = $sentence('/randomis|assigned|allocated|took part|analysed|observed|crossover|served|received/');
        preg_match('/(?:^|[^\d,])(\d{2,4}|\d,\d{3}) (?=\p{L})/u', $told, $size);
        // the lamps, not what they are compared with
        preg_match('/(\d,\d{3}) lux/', "{$publication->title} {$text}", $lux);
        $outcome = $sentence('/primary outcome|assessed|measured|Outcomes were|counted/');

        return array_filter([
            'Design' => $design === 'other'
                    ? null
                    : [
                        $design,
                        $sentence(
                            match ($design) {
                                'cluster trial' => '/cluster|units|sites/',
                                'crossover trial' => '/crossover|own controls|random order/',
                                'parallel-group trial' => '/randomi|randomly|allocated/',
                                default => '/before (?:and|.* again)|again after|replaced/',
                            },
                        ),
                    ],
            'People' => [
                $people,
                $sentence('/nurs|midwi|doctor|physician|residents\b|ambulance|pharmac|laborator|staff|teams/'),
            ],
            'People analysed' => isset($size[1]) ? [$size[1], $told] : null,
            'Light level' => isset($lux[1]) ? [$lux[1], $sentence('/\d,\d{3} lux/')] : null,
            'Main outcome' => $outcome === ''
                    ? null
                    : [
                        preg_match('/primary outcome was ([^.]+)\./', $outcome, $named) === 1
                            ? $named[1]
                            : rtrim($outcome, '.'),
                        $outcome,
                    ],
            'Data extraction checked' => isset($size[1], $lux[1])
                ? [CarbonImmutable::now()->format('Y-m-d'), '']
                : null,
        ]);
    }
}
