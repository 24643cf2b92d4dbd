<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\Publication;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Standins\Corpus\PeopleTold;

/** What the demo's coders read off an abstract. */
final class ReadOff
{
    /** An abstract that tells everything answers so many items. */
    public const ITEMS = 5;

    /** @return array<string, GivenAnswer> what the abstract tells, by item of the codebook */
    public static function of(Publication $publication): array
    {
        $given = [];
        foreach (self::told($publication) as $label => [$value, $quote]) {
            $given[$label] = new GivenAnswer($value, evidence: $quote === '' ? [] : [Evidence::quoted($quote)]);
        }

        return $given;
    }

    /** @return array<string, GivenAnswer> of what the in-depth pass asks; an abstract leaves most of it out */
    public static function inDepth(Publication $publication): array
    {
        $isRandom = preg_match('/random|trial/i', "{$publication->title} {$publication->abstract}") === 1;

        return [
            'Mean age' => new GivenAnswer(null, AnswerKind::NotReported),
            'Timing of the light' => new GivenAnswer(null, AnswerKind::NotReported),
            'Duration of each session' => new GivenAnswer(null, AnswerKind::NotReported),
            'Nobody could foresee the next allocation' => new GivenAnswer('Unclear', fromWhole: true),
            'Risk of bias, all in all' => new GivenAnswer(
                $isRandom ? 'some concern' : 'high',
                note: 'How groups came about is not told.',
                fromWhole: true,
            ),
        ];
    }

    /** @return array<string, array{mixed, string}> an answer and the words it rests on */
    private static function told(Publication $publication): array
    {
        $text = $publication->abstract;
        $sentence = fn (string $pattern): string => PeopleTold::sentenceWith($pattern, $text);
        $whole = mb_strtolower("{$publication->title} {$text}");
        $design = match (true) {
            str_contains($whole, 'cluster') || str_contains($whole, 'stepped-wedge') => 'cluster trial',
            str_contains($whole, 'crossover') ||
                str_contains($whole, 'own controls') ||
                str_contains($whole, 'random order') => 'crossover trial',
            preg_match('/randomi|randomly|allocated|parallel-group/', $whole) === 1 => 'parallel-group trial',
            str_contains($whole, 'before') => 'before-after study',
            default => 'other',
        };
        $people = array_keys(
            array_filter([
                'nurses' => preg_match('/nurs|midwi/', $whole),
                'doctors' => preg_match('/doctor|physician|residents\b/', $whole),
                'ambulance staff' => preg_match('/ambulance/', $whole),
                'pharmacy or laboratory' => preg_match('/pharmac|laboratory staff/', $whole),
            ]),
        ) ?: ['mixed or other'];
        $told = PeopleTold::sentence($text);
        $size = PeopleTold::count($text);
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
                                'parallel-group trial' => '/randomi|randomly|allocated|parallel-group/',
                                default => '/before (?:and|.* again)|again after|replaced/',
                            },
                        ),
                    ],
            'People' => [
                $people,
                $sentence('/nurs|midwi|doctor|physician|residents\b|ambulance|pharmac|laboratory staff|staff|teams/'),
            ],
            'People analysed' => $size === '' ? null : [$size, $told],
            'Light level' => isset($lux[1]) ? [$lux[1], $sentence('/\d,\d{3} lux/')] : null,
            'Main outcome' => $outcome === ''
                    ? null
                    : [
                        preg_match('/primary outcome was ([^.]+)\./', $outcome, $named) === 1
                            ? $named[1]
                            : rtrim($outcome, '.'),
                        $outcome,
                    ],
        ]);
    }
}
