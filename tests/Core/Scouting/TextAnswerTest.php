<?php

declare(strict_types=1);

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Scouting\TextAnswer;

function paperSaying(SectionKind $section, string $text): Passages
{
    return Passages::of(new Paper([
        new Block(BlockKind::Heading, 'Naps on wards', 1, 'Naps on wards', SectionKind::Title),
        new Block(BlockKind::Paragraph, 'Nurses were followed for a month. The weather was fair.', 2, '', SectionKind::Results),
        new Block(BlockKind::Paragraph, $text, 5, '', $section),
    ]));
}

it('answers from the authors’ own results, with the page, and is never firm', function (SectionKind $section, string $text, ?Direction $direction) {
    $answer = TextAnswer::in(paperSaying($section, $text), (new Scout())->question('Do naps reduce sleepiness in nurses?'));

    expect($answer?->direction)->toBe($direction)
        ->and($answer?->page)->toBe($direction === null ? null : 5)
        ->and($answer?->confidence)->not->toBe(Confidence::Firm);
})->with([
    'a result' => [SectionKind::Results, 'Sleepiness was lower with naps than without (p = 0.01).', Direction::Less],
    'in the discussion' => [SectionKind::Discussion, 'Sleepiness did not differ between nurses with and without naps (p = 0.61).', Direction::NoDifference],
    'other people’s' => [SectionKind::Discussion, 'Sleepiness was lower with naps in the study by Ennis et al. (p = 0.01).', null],
    'a plan' => [SectionKind::Methods, 'We hypothesised that sleepiness would be lower with naps than without.', null],
    'a reference' => [SectionKind::References, 'Ennis P. Sleepiness is lower with naps than without (p = 0.01).', null],
    'another outcome' => [SectionKind::Results, 'Appetite was lower with naps than without (p = 0.01).', null],
    'one group only' => [SectionKind::Results, 'Sleepiness was found in 20% of nurses who took naps.', null],
]);
