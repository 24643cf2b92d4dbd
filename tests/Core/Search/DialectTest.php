<?php

use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Parser;

/** A database that can do next to nothing. */
function poorDialect(array $changes = []): string
{
    return json_encode([...['name' => 'poor', 'title' => 'Poor', 'boolean' => ['and' => '&', 'or' => '|', 'not' => '-', 'reading' => 'not-and-or'], 'fields' => ['title' => 'TI'], 'fieldForm' => '{field}:{text}', 'fieldScope' => 'term',
        'plainWord' => '/^\w+$/u', 'escape' => null, 'truncation' => ['sign' => '$', 'minimumStem' => 4], 'proximity' => null, 'heading' => null, 'limits' => [], 'lines' => null], ...$changes]);
}

it('widens what a dialect lacks and says so', function (string $query, string $text, array $notes, bool $usable) {
    $compiled = Printer::print(Parser::parse($query)->root, Dialect::fromJson(poorDialect()));
    expect([$compiled->text, array_map(fn ($n) => $n->message(), $compiled->notes), $compiled->isUsable()])->toBe([$text, $notes, $usable]);
})->with([
    ['title:(lamp* OR lux)', 'TI:lamp$ | TI:lux', [], true],
    ['light NEAR/3 lamp', 'light & lamp', ['light NEAR/3 lamp: no distance in this dialect; searched as AND, which finds more'], true],
    ['(a OR b) NEAR/2 c', '(a | b) & c', ['(a OR b) NEAR/2 c: no distance in this dialect; searched as AND, which finds more'], true],
    ['abstract:lamp', 'lamp', ['abstract:lamp: no such field here; searched in the default fields, which finds more'], true],
    ['heading:"Night work"/narrower', '"Night work"', ['heading:"Night work"/narrower: no headings here; searched as a phrase'], true],
    ['la*', 'la$', ['la*: at least 4 letters are needed before the sign'], false],
    ['year:2010', '', ['year:2010: this database has no such limit; take it off here'], false],
]);

it('refuses a dialect file that is not whole', function (string $json, string $why) {
    expect(fn () => Dialect::fromJson($json))->toThrow(BadDialect::class, $why);
})->with([['{', 'not valid JSON'], ['{"name": "x"}', 'no “title”'], [poorDialect(['fields' => ['colour' => 'C']]), 'not a field']]);

it('knows its own by name', function () {
    expect(Dialects::named('cql')->name())->toBe('cql')->and(Dialects::named('heron')->readsLeftToRight())->toBeFalse()->and(Dialects::named('klingon'))->toBeNull();
});
