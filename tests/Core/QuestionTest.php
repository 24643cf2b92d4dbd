<?php

use WaryHeron\Core\Question\ConceptFrame;
use WaryHeron\Core\Question\ConceptPart;
use WaryHeron\Core\Question\QuestionGaps;
use WaryHeron\Core\Question\UnboundedBlock;
use WaryHeron\Core\Search\Strategy\Block;
use WaryHeron\Core\Search\Strategy\StrategyLine;

function block(string $id, string ...$terms): Block
{
    return new Block(
        $id,
        "Concept {$id}",
        array_map(fn (string $term, int $i): StrategyLine => new StrategyLine("{$id}{$i}", $term), $terms, array_keys($terms)),
    );
}

/** @param  list<ConceptPart>  $parts */
function labels(array $parts): string
{
    return implode(', ', array_map(fn (ConceptPart $part): string => $part->label, $parts));
}

it('says which parts of its frame a question does not name', function (
    ConceptFrame $frame,
    array $texts,
    string $missing,
    string $open,
) {
    $gaps = QuestionGaps::of($frame, $texts, [], []);
    expect([labels($gaps->missing), labels($gaps->leftOpen)])->toBe([$missing, $open]);
})->with([
    'nothing yet' => [ConceptFrame::Pico, [], 'Population, Intervention, Outcome', 'Comparison'],
    'blanks are nothing' => [
        ConceptFrame::Pico,
        ['population' => ' ', 'intervention' => 'Lamps', 'outcome' => 'Sleep'],
        'Population',
        'Comparison',
    ],
    'all' => [
        ConceptFrame::Pico,
        ['population' => 'a', 'intervention' => 'b', 'comparison' => 'c', 'outcome' => 'd'],
        '',
        '',
    ],
    'of exposures' => [ConceptFrame::Peo, ['population' => 'Staff'], 'Exposure, Outcome', ''],
    'of a scoping review' => [ConceptFrame::Pcc, ['context' => 'Wards'], 'Population, Concept', ''],
    'of experience' => [
        ConceptFrame::Spider,
        ['sample' => 'Nurses'],
        'Phenomenon of interest, Evaluation',
        'Design, Kind of research',
    ],
    'another frame’s texts say nothing' => [ConceptFrame::Peo, ['intervention' => 'Lamps'], 'Population, Exposure, Outcome', ''],
    'one’s own' => [ConceptFrame::Own, [], '', ''],
]);

it('has no two parts of one frame by one key, and every key in its list', function (ConceptFrame $frame) {
    $keys = array_map(fn (ConceptPart $part): string => $part->key, $frame->parts());
    expect(array_unique($keys))
        ->toBe($keys)
        ->and(array_diff($keys, ConceptFrame::keys()))
        ->toBe([])
        ->and($frame->label())
        ->not->toBe('');
})->with(ConceptFrame::cases());

it('names blocks without a term, and those that hardly bound what is found', function (array $counts, array $unbounded) {
    $blocks = [block('a', 'nurse'), block('b', 'lamp', 'light'), block('c')];
    $gaps = QuestionGaps::of(ConceptFrame::Own, [], $blocks, $counts);
    expect(array_column($gaps->empty, 'id'))
        ->toBe(['c'])
        ->and(
            array_map(fn (UnboundedBlock $one): array => [$one->block->id, $one->count, $one->narrowest], $gaps->unbounded),
        )
        ->toBe($unbounded);
})->with([
    'more than eight times the narrowest' => [['a' => 100, 'b' => 801], [['b', 801, 100]]],
    'eight times is still bounded' => [['a' => 100, 'b' => 800], []],
    'what finds nothing is no measure' => [['a' => 0, 'b' => 801], []],
    'nothing counted' => [[], []],
    'one alone has nothing to be measured by' => [['b' => 900], []],
    'a count of what is no block' => [['x' => 1, 'a' => 10, 'b' => 20], []],
]);
