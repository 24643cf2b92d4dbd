<?php

use WaryHeron\Core\Bibliography\KeptValues;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Blocking;
use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Fingerprints;
use WaryHeron\Core\Text\Difference;
use WaryHeron\Core\Text\DifferentPiece;

it('reads pages however they are shortened', function (
    string $first,
    string $last,
    ?int $from,
    ?int $to,
    bool $isArticle = false,
) {
    $span = PageSpan::of($first, $last);
    expect([$span->first, $span->last, $span->isArticleNumber, $span->isKnown()])->toBe([
        $from,
        $to,
        $isArticle,
        $from !== null,
    ]);
})->with([
    'both' => ['426', '433', 426, 433],
    'the last one cut' => ['426', '33', 426, 433],
    'one digit left' => ['1426', '9', 1426, 1429],
    'a range in one' => ['426-33', '', 426, 433],
    'a dash of print' => ['426–433', '', 426, 433],
    'with a word before' => ['pp. 131–44', '', 131, 144],
    'in a supplement' => ['S12', 'S19', 12, 19],
    'one page' => ['7', '', 7, null],
    'the number of an article' => ['e04532', '', 4532, null, true],
    'a long number' => ['540016', '', 540016, null, true],
    'a number and how many pages' => ['429629 (12 pp.)', '', 429629, null, true],
    'a number in words' => ['art. no. 540016', '', 540016, null, true],
    'five digits' => ['12345', '', 12345, null, true],
    'four digits' => ['1234', '', 1234, null],
    'four digits after noughts' => ['001234', '', 1234, null],
    'a short number that says what it is' => ['id 12', '', 12, null],
    'the same without a blank' => ['id12', '', 12, null, true],
    'a short number of an article' => ['art12', '', 12, null, true],
    'a last page alone' => ['', '433', null, null],
    'a blank and a last page' => [' ', '433', null, null],
    'none' => ['', '', null, null],
    'in words' => ['in press', '', null, null],
    'too many digits are cut, not counted over' => ['12345678901', '', 123456789, null, true],
]);

it('says where a text differs from another, and gives the whole text back', function (
    string $text,
    string $other,
    array $differing,
) {
    $pieces = Difference::of($text, $other);
    expect(implode('', array_column($pieces, 'text')))
        ->toBe($text)
        ->and(array_column(array_filter($pieces, fn (DifferentPiece $one): bool => $one->differs), 'text'))
        ->toBe($differing);
})->with([
    'the same' => ['Lamps at night', 'Lamps at night', []],
    'nothing' => ['', 'Lamps', []],
    'against nothing' => ['Lamps', '', ['Lamps']],
    'a word' => ['Lamps at night', 'Lamps at noon', ['ight']],
    'a letter within' => ['Sorlie', 'Sorrie', ['l']],
    'a word more' => ['Bright lamps at night', 'lamps at night', ['Bright ']],
    'two apart' => ['One lamp and two beds', 'One bulb and two cots', ['lamp', 'bed']],
    'accents as whole letters' => ['Åge', 'Öge', ['Å']],
]);

it('compares each pair once, the smaller place first, and only with what is fresh where asked', function () {
    $made = new Fingerprints();
    $prints = [];
    foreach (range(0, 59) as $i) {
        $prints[] = $made->of(
            new Reference(
                PublicationType::Article,
                $i % 20 === 0 ? 'Editorial' : 'Lamps of ward '.chr(97 + ($i % 20)).' and how nurses sleep by them',
                [new Name('Okafor', 'Ines')],
                2000 + ($i % 20),
                journal: 'Nocturnal Medicine',
                firstPage: (string) (10 + ($i % 20)),
            ),
            sprintf('%03d', $i),
        );
    }
    $pairs = iterator_to_array(Blocking::pairs($prints), false);
    $keys = array_map(fn (array $pair): string => implode('-', $pair), $pairs);
    expect(array_unique($keys))->toHaveCount(count($keys));
    foreach ($pairs as [$a, $b]) {
        expect($a)->toBeLessThan($b);
    }
    foreach (range(0, 39) as $i) {
        expect($keys)->toContain($i.'-'.($i + 20)); // what is the same but for its key shares a block
    }
    $fresh = iterator_to_array(Blocking::pairs($prints, [3 => true]), false);
    expect($fresh)->not->toBe([])->and($fresh)->toBe(
        array_values(array_filter($pairs, fn (array $pair): bool => in_array(3, $pair, true))),
    );
});

/** @param  array<string, mixed>  ...$records */
function kept(array ...$records): KeptValues
{
    return KeptValues::of(
        array_map(fn (array $one): Reference => (new Reference(PublicationType::Article, 'Lamps'))->with($one), $records),
    );
}

it('keeps of each field the better value, and says whose it is', function (
    string $property,
    mixed $worse,
    mixed $better,
    ?string $field = null,
) {
    foreach ([[$worse, $better], [$better, $worse]] as $at => $values) {
        $kept = kept(...array_map(fn (mixed $value): array => [$property => $value], $values));
        expect($kept->reference->{$property})
            ->toEqual($better)
            ->and($kept->from[$field ?? $property])
            ->toBe(1 - $at);
    }
})->with([
    'a title not in capitals' => ['title', 'LAMPS AND SLEEP OF NURSES', 'Lamps and sleep'],
    'a title not in small letters' => ['title', 'lamps and sleep of nurses', 'Lamps and sleep'],
    'a title that is no translation' => ['title', '[Lamps and the sleep of nurses]', 'Lampen und Schlaf'],
    'a title with its subtitle' => ['title', 'Lamps', 'Lamps: a trial'],
    'a title without a full stop' => ['title', 'Lamps.', 'Lamps'],
    'more authors' => ['authors', [new Name('Okafor', 'Ines')], [new Name('Okafor', 'I'), new Name('Haas', 'M')]],
    'authors in full' => ['authors', [new Name('Okafor', 'I')], [new Name('Okafor', 'Ines')]],
    'people over “et al.”' => [
        'authors',
        [new Name('Okafor', 'Ines'), new Name('et al')],
        [new Name('Okafor', 'I'), new Name('Haas', 'M')],
    ],
    'a journal in full' => ['journal', 'Nocturnal Med', 'Nocturnal Medicine'],
    'the longer abstract' => ['abstract', 'We lit.', 'We lit lamps.'],
    'a telling type' => ['type', PublicationType::Article, PublicationType::Conference],
    'any DOI' => ['doi', '', '10.71111/x'],
    'any language' => ['language', '', 'en'],
    'any series' => ['series', '', 'Ward studies'],
    'more editors' => ['editors', [], [new Name('Haas', 'M')]],
    'a span of pages' => ['lastPage', '', '433', 'pages'],
]);

it('keeps what most records say of year, volume, issue and DOI', function () {
    $kept = kept(['year' => 2016], ['year' => 2017, 'date' => '2017-05'], ['year' => 2017]);
    expect([$kept->reference->year, $kept->reference->date, $kept->from['year']])->toBe([2017, '2017-05', 1]);
});

it('keeps keywords and addresses of all records, each once', function () {
    $kept = kept(['keywords' => ['Light', 'Sleep'], 'urls' => ['a']], ['keywords' => ['light', 'Wards'], 'urls' => ['b', 'a']]);
    expect($kept->reference->keywords)
        ->toBe(['Light', 'Sleep', 'Wards'])
        ->and($kept->reference->urls)
        ->toBe(['a', 'b'])
        ->and([$kept->reference->source, $kept->reference->line, $kept->reference->extra])
        ->toBe(['', 0, []]);
});

it('puts what a person wrote in the place of what is kept', function (array $values, array $becomes) {
    $changed = kept(['year' => 2016, 'firstPage' => '4', 'lastPage' => '9', 'volume' => '3'])->with($values);
    foreach ($becomes as $property => $value) {
        expect($changed->{$property})->toEqual($value);
    }
    expect($changed->volume)->toBe('3');
})->with([
    'a title' => [['title' => 'Lamps at dusk'], ['title' => 'Lamps at dusk', 'year' => 2016]],
    'no year' => [['year' => ''], ['year' => null]],
    'pages' => [['pages' => '11-19'], ['firstPage' => '11', 'lastPage' => '19']],
    'people' => [['authors' => 'Okafor, Ines; Haas, M'], ['authors' => [new Name('Okafor', 'Ines'), new Name('Haas', 'M')]]],
    'keywords' => [['keywords' => 'light; ; sleep '], ['keywords' => ['light', 'sleep']]],
    'a type' => [['type' => 'thesis'], ['type' => PublicationType::Thesis]],
]);
