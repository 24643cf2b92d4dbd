<?php

use Tests\Core\Scouting\Judged;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Drafting\AskedCriterion;
use WaryHeron\Core\Drafting\CriterionJudge;
use WaryHeron\Core\Drafting\CriterionKind;
use WaryHeron\Core\Drafting\CriterionReading;
use WaryHeron\Core\Drafting\ProposedCriteria;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Screening\CriterionAnswer;

function judgedBy(CriterionKind $kind, string $words, string $title, string $abstract, float $score = 1.0): CriterionReading
{
    $record = ReadRecord::of('one', $title, $abstract);

    return CriterionJudge::of(new AskedCriterion($kind, $words), new Families(), [$record])->reading($record, $score);
}

const LAMPS = 'We followed 84 nurses on nights with and without bright light. Errors were 12% lower with bright light (p = 0.02). '.
    'Sleep by day was not measured. The wards were alike. Shifts began at nine. Nobody left.';

it('answers a criterion with the words that it rests on, and why', function (
    CriterionKind $kind,
    string $words,
    string $title,
    string $abstract,
    string $answer,
    string $confidence,
    string $quote,
) {
    $reading = judgedBy($kind, $words, $title, $abstract);
    expect([$reading->answer->value, $reading->confidence->value])->toBe([$answer, $confidence])
        ->and($reading->quote)->toContain($quote)
        ->and($reading->reason)->not->toBe('');
})->with([
    'people who were counted' => [CriterionKind::People, 'nurses', 'Lamps at night', LAMPS, 'yes', 'firm', '84 nurses'],
    'other people, by the title' => [
        CriterionKind::People,
        'nurses',
        'Lamps for bus drivers',
        'We asked 30 drivers. They slept.',
        'no',
        'firm',
        'bus drivers',
    ],
    'nobody named' => [CriterionKind::People, 'nurses', 'Lamps', 'Lamps were tried. They shone.', 'unclear', 'check', ''],
    'a finding' => [CriterionKind::Outcome, 'errors', 'Lamps', LAMPS, 'yes', 'firm', '12% lower'],
    'not looked at' => [CriterionKind::Outcome, 'sleep', 'Lamps', LAMPS, 'no', 'firm', 'not measured'],
    'nothing of it' => [CriterionKind::Outcome, 'blood pressure', 'Lamps', LAMPS, 'no', 'fair', ''],
    'alternatives' => [CriterionKind::Named, 'intensive care or wards', 'Lamps', LAMPS, 'yes', 'firm', 'wards'],
    'where it was goes without saying' => [CriterionKind::Named, 'intensive care', 'Lamps', LAMPS, 'unclear', 'check', ''],
    'figures of its own' => [CriterionKind::OwnFindings, '', 'Lamps', LAMPS, 'yes', 'firm', '12% lower'],
    'a letter' => [
        CriterionKind::OwnFindings,
        '',
        'Letter on lamps',
        'The authors do not say who paid. Errors fell by 3%.',
        'no',
        'firm',
        'Letter',
    ],
    'a plan' => [
        CriterionKind::OwnFindings, '', 'Lamps: protocol of a trial', 'Nurses will be randomised. Errors will be measured.', 'no', 'firm', 'protocol',
    ],
]);

it('is not firm about words of a question in a paper on something else', function () {
    $reading = judgedBy(CriterionKind::About, 'bright light', 'Lamps', LAMPS, 0.2);
    expect([$reading->answer, $reading->confidence])->toBe([CriterionAnswer::Yes, Confidence::Fair]);
});

it('takes the parts of a question for its criteria', function (string $question, array $asked) {
    $criteria = ProposedCriteria::of((new Scout())->question($question));
    expect(array_map(fn (AskedCriterion $one): string => $one->asks(), $criteria))
        ->toBe([...$asked, 'Does it report findings of its own, not a plan, a comment or a review?']);
})->with([
    [
        'Do ceiling lifts reduce back pain in nurses?',
        ['Did it study “nurses”?', 'Is it about “ceiling lifts”?', 'Does it report on “back pain”?'],
    ],
    ['Which instruments measure alarm fatigue in nurses?', ['Did it study “nurses”?', 'Does it report on “alarm fatigue”?']],
]);

// The labels tell what papers that answer meet, and of all what kind they are.
it('is right where it is firm, on papers that people judged', function () {
    $right = $wrong = 0;
    foreach (['q01', 'q06', 'q07', 'q08'] as $name) {
        $judged = Judged::read($name);
        $scout = new Scout();
        $question = $scout->question($judged->question);
        $scores = array_column(array_map(fn ($one): array => [$one->id, $one->score], $scout->findings($question, $judged->records)), 1, 0);
        foreach (ProposedCriteria::of($question) as $criterion) {
            $judge = CriterionJudge::of($criterion, new Families(), $judged->records);
            foreach ($judged->records as $record) {
                $label = $judged->labels[$record->id];
                $isOwn = preg_match('/review|letter|erratum|protocol/', $label['design']) !== 1;
                $wanted = $criterion->kind === CriterionKind::OwnFindings ? $isOwn : ($label['grade'] >= 2 ? true : null);
                $reading = $judge->reading($record, $scores[$record->id]);
                if ($wanted !== null && $reading->confidence === Confidence::Firm) {
                    $reading->answer === ($wanted ? CriterionAnswer::Yes : CriterionAnswer::No) ? $right++ : $wrong++;
                }
            }
        }
    }
    expect($right)->toBeGreaterThan(120)->and($wrong / ($right + $wrong))->toBeLessThan(0.05);
});

it('quotes only what stands in the paper', function () {
    $judged = Judged::read('q01');
    foreach (ProposedCriteria::of((new Scout())->question($judged->question)) as $criterion) {
        $judge = CriterionJudge::of($criterion, new Families(), $judged->records);
        foreach ($judged->records as $record) {
            $texts = array_map(fn ($one): string => $one->text, [$record->title, ...$record->sentences]);
            $quote = $judge->reading($record)->quote;
            expect($quote === '' || in_array($quote, $texts, true))->toBeTrue($quote);
        }
    }
});
