<?php

use WaryHeron\Core\Report\Compare\ComparedLine;
use WaryHeron\Core\Report\Compare\Fate;
use WaryHeron\Core\Report\Compare\Piece;
use WaryHeron\Core\Report\Compare\TextComparison;
use WaryHeron\Core\Report\Compare\TextLine;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;

/** @return list<TextLine> “# ” is a heading */
function textLines(string ...$lines): array
{
    return array_map(
        fn (string $one): TextLine => str_starts_with($one, '# ') ? new TextLine('h2', substr($one, 2)) : new TextLine('text', $one),
        $lines,
    );
}

/** @param  list<ComparedLine>  $compared */
function fatesOf(array $compared): array
{
    $mark = [Fate::Kept->value => '%s', Fate::Added->value => '+%s+', Fate::Removed->value => '-%s-'];

    return array_map(
        fn (ComparedLine $one): string => implode(' ', array_map(fn (Piece $p): string => sprintf($mark[$p->fate->value], $p->words), $one->pieces)),
        $compared,
    );
}

it('tells words that came and went within a line from lines that came and went', function (array $before, array $after, array $shown) {
    expect(fatesOf(TextComparison::of(textLines(...$before), textLines(...$after))))->toBe($shown);
})->with([
    'nothing' => [['Lamps helped.'], ['Lamps helped.'], ['Lamps helped.']],
    'a word' => [['Lamps helped a little.'], ['Lamps helped nurses a little.'], ['Lamps helped +nurses+ a little.']],
    'an exchange' => [['We pooled 12 studies.'], ['We pooled 14 studies.'], ['We pooled -12- +14+ studies.']],
    'another line' => [['Lamps helped.'], ['Naps were studied in Varna.'], ['+Naps were studied in Varna.+', '-Lamps helped.-']],
    'a line before one that changed' => [
        ['# Found', 'Gone for good.', 'Near misses fell in eight.'],
        ['# Found', 'Near misses fell in nine.'],
        ['Found', '-Gone for good.-', 'Near misses fell in -eight.- +nine.+'],
    ],
    'a heading is no line of text' => [['# Lamps helped'], ['Lamps helped'], ['+Lamps helped+', '-Lamps helped-']],
    'from nothing' => [[], ['One.', 'Two.'], ['+One.+', '+Two.+']],
]);

it('loses no word of either version', function () {
    mt_srand(20261128);
    $text = fn (): array => array_map(
        fn (): string => implode(' ', array_map(fn (): string => ['lamp', 'nap', 'ward', 'night', 'miss'][mt_rand(0, 4)], range(1, mt_rand(1, 9)))),
        range(1, mt_rand(1, 8)),
    );
    $words = function (array $compared, Fate $without): array {
        $kept = [];
        foreach ($compared as $one) {
            foreach ($one->pieces as $piece) {
                array_push($kept, ...$piece->fate === $without ? [] : explode(' ', $piece->words));
            }
        }

        return $kept;
    };
    foreach (range(1, 300) as $round) {
        [$before, $after] = [$text(), $text()];
        $compared = TextComparison::of(textLines(...$before), textLines(...$after));
        expect($words($compared, Fate::Added))->toEqualCanonicalizing(explode(' ', implode(' ', $before)))
            ->and($words($compared, Fate::Removed))->toBe(explode(' ', implode(' ', $after)));
    }
});

it('reads lines of a document, with words for what it only names', function () {
    $p = fn (array ...$inline): array => ['type' => 'paragraph', 'content' => $inline];
    $document = Schema::node(['type' => 'doc', 'content' => [
        ['type' => 'heading', 'attrs' => ['level' => 2], 'content' => [['type' => 'text', 'text' => 'Found']]],
        $p(),
        $p(['type' => 'text', 'text' => 'We pooled '], ['type' => 'liveNumber', 'attrs' => ['source' => 'studies', 'shown' => '12']]),
        ['type' => 'bulletList', 'content' => [['type' => 'listItem', 'content' => [$p(['type' => 'text', 'text' => 'one'])]]]],
        ['type' => 'liveBlock', 'attrs' => ['id' => 'b1', 'kind' => 'flow', 'source' => '', 'caption' => '']],
    ]]);
    $lines = TextLine::all($document, fn (Node $one): string => $one->type === Node::LIVE_NUMBER ? $one->said('shown') : $one->said('kind'));
    expect(array_map(fn (TextLine $one): array => [$one->kind, $one->words], $lines))
        ->toBe([['h2', 'Found'], ['text', 'We pooled 12'], ['text', 'one'], ['block', 'flow']]);
});
