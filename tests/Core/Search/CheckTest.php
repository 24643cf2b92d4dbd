<?php

use WaryHeron\Core\Search\Check\CheckedTerm;
use WaryHeron\Core\Search\Check\Finding;
use WaryHeron\Core\Search\Check\HeadingCheck;
use WaryHeron\Core\Search\Check\LineCheck;
use WaryHeron\Core\Search\Check\SpellingCheck;
use WaryHeron\Core\Search\Check\TermWords;
use WaryHeron\Core\Search\Check\Thesaurus;
use WaryHeron\Core\Search\Check\YieldCheck;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Strategy\Strategy;
use WaryHeron\Core\Search\Strategy\StrategyLine;
use WaryHeron\Core\Vocabulary\Concept;
use WaryHeron\Core\Vocabulary\Offer;
use WaryHeron\Core\Vocabulary\Why;

/** A thesaurus of three headings: Light therapy, with Bright light below it; Nurses, also called Nursing staff. */
function wards(): Thesaurus
{
    return new class implements Thesaurus
    {
        public function title(): string
        {
            return 'Ward Thesaurus';
        }

        public function narrower(string $label): array
        {
            return $label === 'Light therapy' ? ['Bright light'] : [];
        }

        public function above(string $label): array
        {
            return $label === 'Bright light' ? ['Light therapy', 'Bright light'] : [$label];
        }

        public function named(string $typed): ?Offer
        {
            $label = ['light therapy' => 'Light therapy', 'bright light' => 'Bright light', 'nurses' => 'Nurses', 'nursing staff' => 'Nurses'][mb_strtolower($typed)] ?? null;
            $why = mb_strtolower($typed) === mb_strtolower((string) $label) ? Why::IsPreferred : Why::IsAlternative;

            return $label === null ? null : new Offer(new Concept("urn:{$label}", $label), $why, $typed);
        }
    };
}

/** @return list<CheckedTerm> the terms of a concept of these, which stands beside another */
function concept(string ...$terms): array
{
    $lines = [];
    foreach ($terms as $i => $text) {
        $lines[] = new StrategyLine("t{$i}", $text);
    }
    $all = implode(' OR ', array_map(fn (int $i): string => '#'.($i + 1), array_keys($terms)));
    $count = count($terms);
    array_push(
        $lines,
        new StrategyLine('block', $all, 'Wards'),
        new StrategyLine('other', 'zebra*'),
        new StrategyLine('animals', '#'.($count + 2), 'Animals'),
        new StrategyLine('result', '#'.($count + 1).' AND #'.($count + 3)),
    );

    return array_values(
        array_filter(CheckedTerm::all(new Strategy($lines)), fn (CheckedTerm $term): bool => $term->line->id[0] === 't'),
    );
}

/** @param  iterable<Finding>  $findings */
function kinds(iterable $findings): array
{
    return array_map(fn (Finding $one): string => "{$one->kind}: ".json_encode($one->remedy?->with['texts'][0] ?? $one->remedy?->with['text'] ?? null), [...$findings]);
}

it('misses forms of words', function (array $terms, array $kinds) {
    $found = [];
    foreach (concept(...$terms) as $term) {
        $found = [...$found, ...kinds(SpellingCheck::of($term))];
    }
    expect($found)->toBe($kinds);
})->with([
    'the plural' => [['lamp'], ['plural or singular missing: "lamps"']],
    'both are there' => [['lamp', 'lamps'], []],
    'in a phrase' => [['"night lamp"'], ['plural or singular missing: "\"nights lamp\""', 'plural or singular missing: "\"night lamps\""']],
    'the other English' => [['"randomised lamps"', '"randomised lamp"'], ['other spelling missing: "\"randomized lamps\""', 'other spelling missing: "\"randomized lamp\""']],
    'an ending that is cut off' => [['randomis*'], ['stem cuts an ending off: "randomi*"']],
    'a short stem' => [['ill*'], ['stem too short: null']],
    'nothing of a heading' => [['heading:"Light therapy"'], []],
]);

it('asks for headings and for their words', function (array $terms, array $kinds) {
    $found = [];
    foreach (concept(...$terms) as $term) {
        $found = [...$found, ...kinds((new HeadingCheck([wards()]))->of($term))];
    }
    expect($found)->toBe($kinds);
})->with([
    'a heading alone' => [
        ['heading:"Light therapy"'],
        ['heading without its words: "\"light therapy\""', 'narrower headings left out: "heading:\"Light therapy\"\/narrower"'],
    ],
    'with its words, in another form' => [['heading:"Nurses"', 'nurse'], []],
    'one that has nothing below it' => [['heading:"Bright light"', '"bright light"'], []],
    'narrowed to a qualifier' => [
        ['heading:"Nurses"/q:"psychology"', 'nurses'],
        ['narrowed early: "heading:\"Nurses\""'],
    ],
    'words that are a heading' => [['nurses'], ['words without their heading: "heading:\"Nurses\""']],
    'words that are another name of one' => [['"nursing staff"'], ['words without their heading: "heading:\"Nurses\""']],
    'a heading above it, with all below' => [['heading:"Light therapy"/narrower', '"light therapy"', '"bright light"'], []],
    'words of no heading' => [['chairs'], []],
]);

it('says of a term that it finds nothing, or nothing of its own', function (array $yields, ?string $meant, array $kinds) {
    [$term] = concept('lihgt', 'lamp');
    expect(kinds(YieldCheck::of($term, $yields, fn (): ?string => $meant)))->toBe($kinds);
})->with([
    'nothing' => [[['own' => 0, 'only' => 0]], null, ['finds nothing: null']],
    'nothing, but something like it' => [[['own' => 0, 'only' => 0], ['own' => 0, 'only' => 0]], 'light', ['finds nothing: "light"']],
    'something somewhere' => [[['own' => 0, 'only' => 0], ['own' => 3, 'only' => 3]], null, []],
    'nothing of its own' => [[['own' => 3, 'only' => 0]], null, ['adds nothing: null']],
    'not counted' => [[['own' => null, 'only' => null]], null, []],
    'not all counted' => [[['own' => 3, 'only' => 0], ['own' => 4, 'only' => null]], null, []],
    'no database' => [[], null, []],
]);

it('says of lines that nothing uses them, or that they are read in two ways', function (array $texts, array $kinds) {
    $lines = array_map(fn (string $text, int $i): StrategyLine => new StrategyLine("l{$i}", $text), $texts, array_keys($texts));
    expect(kinds(LineCheck::of(new Strategy($lines))))->toBe($kinds);
})->with([
    'one that is used, and the result' => [['lamp', 'nurse', '#1 AND #2'], []],
    'one that is not' => [['lamp', 'chair', '#1 AND nurse'], ['never used: null']],
    'mixed' => [['lamp OR light AND nurse'], ['AND and OR mixed: "lamp OR (light AND nurse)"']],
    'a blank line' => [['lamp', '', '#1'], []],
]);

it('writes a term with one of its words in another form, and leaves the rest', function (string $text, string $becomes) {
    $root = Parser::parse($text)->root;
    $words = TermWords::of($root);
    $changed = TermWords::replaced($root, $words[count($words) - 1], new Word('wards'));
    expect(Printer::print($changed, Dialects::heron())->text)->toBe($becomes);
})->with([
    ['ward', 'wards'],
    ['"night ward"', '"night wards"'],
    ['title:ward', 'title:wards'],
    ['lamp NEAR/3 ward', 'lamp NEAR/3 wards'],
    ['lamp OR (light AND ward)', 'lamp OR light AND wards'],
]);
