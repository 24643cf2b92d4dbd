<?php

use WaryHeron\Core\Asking\Extreme;
use WaryHeron\Core\Asking\Piece;
use WaryHeron\Core\Asking\PieceKind;
use WaryHeron\Core\Asking\PieceRanking;
use WaryHeron\Core\Asking\PlainAsk;
use WaryHeron\Core\Asking\RankedPiece;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Kin\Family;

/** @return list<string> ids, best first */
function rankedIds(string $question, Piece ...$pieces): array
{
    return array_map(fn (RankedPiece $one): string => $one->piece->id, (new PieceRanking(PlainAsk::read($question), array_values($pieces)))->ranked(10));
}

function textPiece(string $id, string $says, string $beside = ''): Piece
{
    return new Piece(PieceKind::Text, $id, $says, '', $beside);
}

it('puts what says all of it first, and leaves out what says less than half', function () {
    $ids = rankedIds(
        'Was glare a complaint of the nurses?',
        textPiece('part', 'Nurses worked twelve hours and had two breaks.'),
        textPiece('whole', 'Glare was the complaint that nurses named most.'),
        textPiece('two', 'A complaint of glare came from two wards.'),
        textPiece('none', 'The lamps were mounted at eye level.'),
    );
    expect($ids)->toBe(['whole', 'two']);
});

it('lets words beside a piece count for what it is about, but never alone', function () {
    $ids = rankedIds(
        'Glare at the nursing station',
        textPiece('near', 'One in eight complained of glare.', 'Lamps at the nursing station'),
        textPiece('title only', 'Nothing was seen.', 'Glare at the nursing station'),
    );
    expect($ids)->toBe(['near']);
});

it('is surest of what people took from a paper', function () {
    $ranked = (new PieceRanking(PlainAsk::read('Mean age?'), [
        textPiece('text', 'The mean age was 41 years.'),
        new Piece(PieceKind::Answer, 'answer', '41 years', 'Mean age'),
        textPiece('half', 'Age was not asked.'),
    ]))->ranked(10);
    $told = array_map(fn (RankedPiece $one): array => [$one->piece->id, $one->confidence], $ranked);
    expect($told)->toBe([['answer', Confidence::Firm], ['text', Confidence::Fair]])
        ->and($ranked[1]->reason)->toBe('stands there, with all that was asked');
});

it('takes other names of a thing for the thing, and the order of alike pieces as it was given', function () {
    $families = new Families([Family::told('gloom lamp, dusk lantern')]);
    $ask = PlainAsk::read('Did gloom lamps help?', $families);
    expect($ask->terms)->toBe([[['gloom', 'lamp'], ['dusk', 'lantern']], [['help']]]);
    $pieces = [textPiece('b', 'Dusk lanterns help.'), textPiece('a', 'Dusk lanterns help.')];
    $ids = array_map(fn (RankedPiece $one): string => $one->piece->id, (new PieceRanking($ask, $pieces))->ranked(10));
    expect($ids)->toBe(['b', 'a']);
});

it('answers with the rest where a word stands nowhere, says which, and is never sure then', function () {
    $pieces = [textPiece('a', 'Glare was named by one in eight midwives.'), textPiece('b', 'Midwives slept well.')];
    $ranking = new PieceRanking(PlainAsk::read('Was glare a grievance of midwives?'), $pieces);
    $ranked = $ranking->ranked(10);
    expect(array_map(fn (RankedPiece $one): array => [$one->piece->id, $one->confidence], $ranked))->toBe([['a', Confidence::Check]])
        ->and($ranked[0]->reason)->toBe('stands there, with part of what was asked')
        ->and($ranking->nowhere())->toBe(['grievanc']);
});

it('finds nothing where nothing is asked or held', function (string $question) {
    expect(rankedIds($question, textPiece('a', 'Lamps helped.')))->toBe([]);
})->with(['', '?', 'What is it?', 'Which studies were the largest?', 'Elephants', "\x00\xFF"]);

it('does not change with pieces that hold nothing of it', function () {
    $pieces = [
        textPiece('one', 'Errors fell with lamps.'),
        textPiece('two', 'Errors of dosing fell; lamps stood by the bed, and errors were counted.'),
        textPiece('three', 'Lamps and errors.'),
    ];
    $others = array_map(fn (int $i): Piece => textPiece("x{$i}", "Sentence {$i} of something else."), range(1, 40));
    expect(rankedIds('errors with lamps', ...[...$others, ...$pieces]))->toBe(rankedIds('errors with lamps', ...$pieces));
});

it('hears what a question asks the most of', function (string $question, array $extremes) {
    expect(Extreme::in($question))->toBe($extremes);
})->with([
    ['Which finding has the most and the largest studies?', [Extreme::Studies, Extreme::People]],
    ['What is the best supported finding?', [Extreme::Surest]],
    ['Which outcome has the largest effect?', [Extreme::Largest]],
    ['Where do studies disagree most?', [Extreme::Varied]],
    ['Which outcome shows most heterogeneity?', [Extreme::Varied]],
    ['What was measured most often?', []],
    ['Which outcome was most often measured?', [Extreme::Studies]],
    ['Did lamps help?', []],
]);
