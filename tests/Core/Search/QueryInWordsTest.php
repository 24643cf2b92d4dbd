<?php

declare(strict_types=1);

use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Text\QueryInWords;
use WaryHeron\Core\Text\Span;
use WaryHeron\Core\Text\Words;

/** @return list<string> the words of each place */
function placesIn(string $query, string $text): array
{
    $words = Words::of($text);

    return array_map(
        fn (Span $place): string => implode(
            ' ',
            array_slice($words, $place->first, $place->last - $place->first + 1),
        ),
        QueryInWords::places(Parser::parse($query)->root, $words),
    );
}

it('finds where a query is answered in a sentence, and nothing where it is not answered as a whole', function (string $query, array $places) {
    expect(placesIn($query, 'Night-shift nurses slept longer after bright light at night than after dim light.'))->toBe($places);
})->with([
    ['light', ['light', 'light']],
    ['"bright light"', ['bright light']],
    ['nurs*', ['nurses']],
    ['n?rses', ['nurses']],
    ['light AND nurses', ['nurses', 'light', 'light']],
    ['light AND patients', []],
    ['patients OR nurses', ['nurses']],
    ['light NOT nurses', []],
    ['light NOT patients', ['light', 'light']],
    ['bright NEAR/2 night', []],
    ['bright NEAR/3 night', ['bright light at night']],
    ['night NEAR/3 bright', ['bright light at night']],
    ['(dim OR bright) NEAR/1 light', ['bright light', 'dim light']],
    ['title:nurses', ['nurses']],
    ['"light bright"', []],
]);

it('is answered by the same as the words that it is made of', function () {
    $text = implode(' ', array_map(fn (int $i): string => ['lamp', 'nap', 'ward', 'noise'][$i * 7 % 4], range(0, 40)));
    foreach (['lamp', 'nap', 'ward'] as $a) {
        foreach (['nap', 'noise', 'none'] as $b) {
            $either = placesIn("{$a} OR {$b}", $text);
            expect(count($either))->toBe($a === $b ? count(placesIn($a, $text)) : count(placesIn($a, $text)) + count(placesIn($b, $text)))
                ->and(placesIn("{$a} AND {$b}", $text) !== [])->toBe(placesIn($a, $text) !== [] && placesIn($b, $text) !== [])
                ->and(placesIn("{$a} NEAR/3 {$b}", $text))->toHaveCount(count(placesIn("{$b} NEAR/3 {$a}", $text)));
        }
    }
});

it('knows what can be looked for in words alone', function (string $query, bool $can) {
    expect(QueryInWords::can(Parser::parse($query)->root))->toBe($can);
})->with([['light AND (nap* OR "night shift")', true], ['light AND heading:"Night work"', false], ['light AND year:2010..2020', false]]);
