<?php

use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/** BibTeX and BibLaTeX as programs and people write them: whatever a careful reader can read is read. */

/** @return list<Reference|UnreadableRecord> */
function bibtex(string $text): array
{
    $stream = fopen('php://memory', 'r+b');
    fwrite($stream, $text);
    rewind($stream);

    return iterator_to_array((new BibtexReader())->read($stream), false);
}

it('reads what is written otherwise than the book says', function (string $text, array $titles) {
    $read = bibtex($text);
    expect(
        array_map(
            fn (Reference|UnreadableRecord $one): string => $one instanceof Reference
                ? $one->title
                : "refused: {$one->message}",
            $read,
        ),
    )->toBe($titles);
})->with([
    'no key' => ['@article{title = {Lamps}, year = 2004}', ['Lamps']],
    'an empty key' => ['@article{, title = {Lamps}}', ['Lamps']],
    'no comma behind the key' => ["@article{kolbe2004\n title = {Lamps}}", ['Lamps']],
    'blanks and brackets in the key' => ['@article{Kolbe (2004) a, title = {Lamps}}', ['Lamps']],
    'no commas between fields' => ["@article{a,\n title = {Lamps}\n year = 2004\n volume = {3}}", ['Lamps']],
    'field names that begin with a digit or a line' => [
        '@article{a, _note = {x}, 2nd = {y}, title = {Lamps}}',
        ['Lamps'],
    ],
    'comments between fields' => [
        "@article{a, % the key\n % a bracket } in a comment\n title = {Lamps}, % and behind\n year = 2004 }\n@article{b, title = {Visors}}",
        ['Lamps', 'Visors'],
    ],
    'a percent sign within a value' => ["@article{a, title = {Lamps}, abstract = {Of them\n% half\nslept}}", ['Lamps']],
    'all on one line' => [
        '@article{a, title = {Lamps}}@article{b, title = {Visors}} , @book{c, title={Naps}}',
        ['Lamps', 'Visors', 'Naps'],
    ],
    'in parentheses' => [
        "@article(a, title = {Lamps :) (bright)}, year = 2004)\n@article(b, title = \"Visors (blue)\")\n@string(x = {y}) @article{c, title = {Naps}}",
        ['Lamps :) (bright)', 'Visors (blue)', 'Naps'],
    ],
    'a string that nobody defined' => ['@article{a, journal = lampj, title = {Lamps}}', ['Lamps']],
    'words without brackets' => ['@article{a, pages = 12 -- 15, month = 3 May, title = {Lamps}}', ['Lamps']],
    'a mail address between entries' => [
        "anna@heron.example wrote\n@article{a, title = {Lamps}}\nask anna@heron{b",
        ['Lamps'],
    ],
    'one cut off at the end' => [
        "@article{a, title = {Lamps}}\n@article{b, title = {Vis",
        ['Lamps', 'refused: The value of “title” does not end.'],
    ],
]);

it('reads brackets below their type, fields without a value and without an equals sign', function () {
    $read = bibtex(
        "@Book\n\n{\n\tkolbe2004 ,\n\ttitle = {Lamps}, unread, seen,\n year {2004}\n}\n".
            "@article\n(\n b, title \"Visors\")\n@nobody\nsaid so\n@article{c, title = {Naps}, read}",
    );
    expect(array_map(fn (Reference $one): array => [$one->id, $one->title, $one->year, $one->line], $read))->toBe([
        ['kolbe2004', 'Lamps', 2004, 1],
        ['b', 'Visors', null, 8],
        ['c', 'Naps', null, 13],
    ]);
});

it('reads entries whose bracket closes behind their key, and leaves those that end there alone', function () {
    $read = bibtex(
        "@book{kolbe2004},\n\n  title = {Lamps},\n  year = 2004\n}\n@article(b)\n , title = {Visors}\n)\n".
            "@misc{empty}\nA remark = not a field of it\n@book{c,}\n@book{d, title = {Naps}}\n@misc{e}",
    );
    $told = fn (mixed $one): array => $one instanceof Reference ? [$one->id, $one->title] : [$one->line, 'refused'];
    expect(array_map($told, $read))->toBe([
        ['kolbe2004', 'Lamps'],
        ['b', 'Visors'],
        [9, 'refused'],
        [11, 'refused'],
        ['d', 'Naps'],
        [13, 'refused'],
    ]);
});

it('leaves out what speaks to programs and names no work', function () {
    $read = bibtex(
        "@IEEEtranBSTCTL{ctl, CTLuse_url = {no}}\n@Control{c, ctrl-title = {yes}}\n".
            "@abcd-options{o, emphasis = {bold}}\n@set{s, entryset = {a,b}}\n@misc{a, title = {Lamps}}",
    );
    expect(array_column($read, 'title'))->toBe(['Lamps']);
});

it('keeps what only a note, a publisher or a key tells', function (string $entry, string $shown) {
    [$one] = bibtex($entry);
    expect($one)->toBeInstanceOf(Reference::class)->and($one->suppliedTitle())->toBe($shown);
})->with([
    ['@misc{a, key = {Lamp}, note = {A letter of the guild}}', '[Untitled: A letter of the guild]'],
    ['@book{a, publisher = {Wick and Sons}, year = 1990}', '[Untitled: 1990, a]'],
    ['@article{kolbe2004, date = {2004}}', '[Untitled: 2004, kolbe2004]'],
    ['@misc{a, howpublished = {Painted on a wall}, file = {wall.pdf}}', '[Untitled: a]'],
    ['@legal{a, court = {Lantern Court}, docket = {7/04}}', '[Untitled: Lantern Court]'],
]);

it('refuses what tells nothing', function (string $entry) {
    [$one] = bibtex($entry);
    expect($one)->toBeInstanceOf(UnreadableRecord::class)->and($one->message)->toContain('no title');
})->with([
    '@misc{a, key = {Lamp}, owner = {kolbe}, timestamp = {2004.01.01}}',
    '@article{a, title = {}}',
    '@misc{a}',
    '@article{year = 2004, volume = 3}',
]);

it('takes a title from where else it stands', function (string $entry, string $title, string $journal = '') {
    [$one] = bibtex($entry);
    expect([$one->title, $one->journal])->toBe([$title, $journal]);
})->with([
    ['@proceedings{a, booktitle = {Nights of Oil}}', 'Nights of Oil'],
    ['@misc{a, shorttitle = {Lamps}}', 'Lamps'],
    ['@misc{a, eventtitle = {The Lamp Days}}', 'The Lamp Days'],
    ['@inproceedings{a, booktitle = {Nights of Oil}}', '', 'Nights of Oil'],
]);

it('reads names that say their generation without a comma, and lists that break off', function (string $list, array $names) {
    [$one] = bibtex("@article{a, author = {{$list}}, title = {Lamps}}");
    expect($one->authors)->toEqual($names);
})->with([
    ['Anna Kolbe Jr.', [new Name('Kolbe', 'Anna', 'Jr.')]],
    ['Anna van der Kolbe III', [new Name('van der Kolbe', 'Anna', 'III')]],
    ['Kolbe II', [new Name('II', 'Kolbe')]],
    ['Anna Kolbe et al.', [new Name('Kolbe', 'Anna'), new Name('et al.')]],
    ['Kolbe, Anna and et~al', [new Name('Kolbe', 'Anna'), new Name('et al.')]],
    ['Lamp Bureau and Oil Works Inc. and Anna Kolbe', [new Name('Lamp Bureau'), new Name('Oil Works Inc.'), new Name('Kolbe', 'Anna')]],
    ['Kolbe, Anna and others', [new Name('Kolbe', 'Anna'), new Name('et al.')]],
]);

it('takes over from what is no volume too', function () {
    $read = bibtex(<<<'BIB'
    @article{c, crossref = {whole}, title = {Lamps}, pages = {3-9}}
    @article{whole, journal = {Nocturne}, year = 2004, volume = 3}
    @phdthesis{t, author = {Kolbe, Anna}, title = {Lamps of Sleep}, school = {Heron}}
    @phdthesis{summary, crossref = {t}, type = {summary}}
    BIB);
    $by = array_column($read, null, 'id');
    expect([$by['c']->journal, $by['c']->year, $by['c']->volume])
        ->toBe(['Nocturne', 2004, '3'])
        ->and([$by['summary']->title, $by['summary']->authors[0]->family])
        ->toBe(['Lamps of Sleep', 'Kolbe']);
});

it('names a journal before a book that an article stands in, and one whose issue has no title of its own', function () {
    [$article] = bibtex('@article{a, title = {Lamps}, journal = {Nocturne}, booktitle = {Proceedings of Oil}}');
    [$issue] = bibtex('@periodical{p, title = {Lamps}, journal = {Nocturne}, pages = 4--4, url = {https://a.xy; https://b.xy}}');
    expect([$article->journal, $issue->title, $issue->journal, $issue->firstPage, $issue->lastPage, $issue->urls])
        ->toBe(['Nocturne', 'Lamps', 'Nocturne', '4', '', ['https://a.xy', 'https://b.xy']]);
});

it('names the series of a journal, and keeps number and issue', function () {
    $series = fn (string $type, string $series): string => bibtex("@{$type}{a, title = {Lamps}, series = {{$series}}}")[0]->series;
    expect([$series('article', 'newseries'), $series('article', '3'), $series('book', '3'), $series('book', 'Lamp Studies')])
        ->toBe(['new series', '3rd series', '3', 'Lamp Studies'])
        ->and(bibtex('@article{a, title = {Lamps}, number = {4}, issue = {Spring}}')[0]->issue)
        ->toBe('4, Spring');
});

it('keeps the rest of an entry that has neither key nor commas', function () {
    [$one] = bibtex(
        '@article{title = {Lamps} author = {Kolbe, Anna and Strand, Ben} year = 2004 journal = lampj # { of } # "Nights" pages = 12 -- 15}',
    );
    expect($one->id)
        ->toBe('')
        ->and($one->year)
        ->toBe(2004)
        ->and($one->journal)
        ->toBe('lampj of Nights')
        ->and($one->pages())
        ->toBe('12–15')
        ->and($one->authors)
        ->toEqual([new Name('Kolbe', 'Anna'), new Name('Strand', 'Ben')]);
});

it('reads names that say their parts', function () {
    [$one] = bibtex(
        '@book{a, title = {Lamps}, author = {family=Berg, given=Anna, prefix=von den and given={Ben, the Elder}, family=Strand, suffix=Jr and {Ward Nine} and others}}',
    );
    expect($one->authors)->toEqual([
        new Name('von den Berg', 'Anna'),
        new Name('Strand', 'Ben, the Elder', 'Jr'),
        new Name('Ward Nine'),
        new Name('et al.'),
    ]);
});

it('takes over from volumes, works in volumes and shared data what an entry lacks', function () {
    [$chapter, $volume, $work] = bibtex('@xdata{house, publisher = {Heron House}, location = {Larkmoor}}
        @incollection{c, crossref = {v}, title = {Lamps}, pages = {3-9}}
        @collection{v, crossref = {w}, title = {Nights}, subtitle = {A reader}, xdata = {house, none}, year = 2004}
        @mvcollection{w, title = {All of it}, volumes = 3}');
    // an entry waits for the one that it refers to, and that one for its own
    expect([$chapter->title, $volume->title, $work->title])->toBe(['All of it', 'All of it', 'Lamps']);
    expect([$work->journal, $work->partTitle, $work->containerTitle()])
        ->toBe(['All of it', 'Nights: A reader', 'All of it. Nights: A reader'])
        ->and([$work->publisher, $work->year, $work->pages()])
        ->toBe(['Heron House', 2004, '3–9']);
    expect([$volume->fullTitle(), $volume->publisher])->toBe(['All of it. Nights: A reader', 'Heron House']);
    expect($work)->not->toBeNull()->and(bibtex('@xdata{x, title = {No record}}'))->toBe([]);
});

it('reads what is written carelessly but plainly', function (string $text, array $expected) {
    $read = bibtex($text);
    expect(array_map(fn ($one): string => "{$one->title}|{$one->volume}|{$one->year}", $read))->toBe($expected);
})->with([
    'fields without a value' => ['@article{a, title = {Lamps}, volume = , number =, year = 2004}', ['Lamps||2004']],
    'quotation marks within quotation marks' => [
        '@article{a, title = "The "bright" lamp", volume = "4", year = 2004}',
        ['The "bright" lamp|4|2004'],
    ],
    'no comma behind a quotation mark' => [
        "@article{a, title = \"Lamps\"\n volume = \"4\"\n year = 2004}",
        ['Lamps|4|2004'],
    ],
    'names of fields of any kind' => [
        '@article{a, title = {Lamps}, own*field = {x}, année = {y}, 1st = {z}, year = 2004}',
        ['Lamps||2004'],
    ],
    'types of entries of any kind' => [
        "@misc-2{a, title = {Lamps}, year = 2004}\n@my_report{b, title = {Visors}}",
        ['Lamps||2004', 'Visors||'],
    ],
    'the last bracket missing' => [
        "@article{a, title = {Lamps}, year = 2004\n\n@article{b, title = {Visors}, year = 2005",
        ['Lamps||2004', 'Visors||2005'],
    ],
]);
