<?php

declare(strict_types=1);

use WaryHeron\Core\Synthesis\Certainty\AbsoluteEffect;
use WaryHeron\Core\Synthesis\Certainty\Certainty;
use WaryHeron\Core\Synthesis\Certainty\CertaintyDomain;
use WaryHeron\Core\Synthesis\Certainty\CertaintyLevel;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;

it('takes certainty down and up by people’s reasons, never beyond its ends', function (int $start, array $steps, CertaintyLevel $level) {
    $certainty = Certainty::fromArray([
        'start' => $start,
        'reasons' => array_map(fn (int $one): array => ['steps' => $one, 'why' => 'so'], $steps),
    ]);

    expect($certainty->level())->toBe($level)
        ->and(Certainty::fromArray($certainty->toArray()))->toEqual($certainty);
})->with([
    'trials without a fault' => [4, [], CertaintyLevel::High],
    'two faults' => [4, ['bias' => 1, 'imprecision' => 1], CertaintyLevel::Low],
    'one grave and two faults' => [4, ['bias' => 2, 'imprecision' => 1, 'inconsistency' => 1], CertaintyLevel::VeryLow],
    'observed, with a large effect' => [2, ['large' => 2], CertaintyLevel::High],
    'up and down' => [2, ['large' => 1, 'bias' => 1], CertaintyLevel::Low],
    'never above high' => [4, ['dose' => 2], CertaintyLevel::High],
    'what is no domain, or no step, is left out' => [3, ['weather' => 1, 'bias' => 9, 'publication' => 0], CertaintyLevel::Moderate],
]);

it('says its reasons in words', function () {
    expect(Certainty::fromArray(['start' => 4, 'reasons' => ['imprecision' => ['steps' => 2, 'why' => 'few events'], 'large' => ['steps' => 1]]])->told())
        ->toBe(['imprecision, two steps down: few events', 'large effect, one step up']);
});

it('reads what a form gave, as numbers, and drops blanks around a reason', function () {
    $given = ['start' => '2', 'reasons' => ['bias' => ['steps' => '1', 'why' => '  no blinding '], 'large' => ['steps' => '2']]];
    $certainty = Certainty::fromArray($given);
    expect($certainty->toArray())->toBe([
        'start' => 2,
        'reasons' => ['bias' => ['steps' => 1, 'why' => 'no blinding'], 'large' => ['steps' => 2, 'why' => '']],
    ])->and($certainty->told())->toBe(['risk of bias, one step down: no blinding', 'large effect, two steps up']);
});

it('knows which domains take certainty up', function () {
    $up = array_filter(CertaintyDomain::cases(), fn (CertaintyDomain $one): bool => $one->sign() === 1);
    expect(array_values($up))->toBe([
        CertaintyDomain::LargeEffect,
        CertaintyDomain::DoseResponse,
        CertaintyDomain::OpposedConfounding,
    ]);
});

it('says what a relative effect means for a thousand people', function (AnalysisMeasure $measure, float $effect, float $baseline, ?int $thousand) {
    expect(AbsoluteEffect::of($measure, $effect, $baseline)?->perThousand())->toBe($thousand);
})->with([
    [AnalysisMeasure::RiskRatio, 0.71, 0.2, -58],
    [AnalysisMeasure::RiskRatio, 6.0, 0.2, 800], // all of them, and not more
    [AnalysisMeasure::OddsRatio, 0.5, 0.2, -89], // 0.1 / 0.9 = 0.111
    [AnalysisMeasure::OddsRatio, 1.0, 0.2, 0],
    [AnalysisMeasure::Peto, 2.0, 0.1, 82], // 0.2 / 1.1 = 0.182
    [AnalysisMeasure::RiskDifference, -0.05, 0.2, -50],
    [AnalysisMeasure::RiskDifference, -0.3, 0.2, -200], // nobody, and not fewer
    [AnalysisMeasure::MeanDifference, -1.0, 0.2, null],
]);

it('words a difference', function (int $thousand, string $words) {
    expect(AbsoluteEffect::told($thousand))->toBe($words);
})->with([[58, '58 more'], [1, '1 more'], [-1, '1 fewer'], [-58, '58 fewer'], [0, 'no more and no fewer']]);
