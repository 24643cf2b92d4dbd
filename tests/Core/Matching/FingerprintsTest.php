<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Matching\Fingerprint;
use WaryHeron\Core\Matching\Fingerprints;

/** @param  array<string, mixed>  $values */
function madeOf(array $values): Fingerprint
{
    return (new Fingerprints())->of((new Reference(PublicationType::Article, 'Lamps'))->with($values), 'a');
}

it('writes names in one manner', function (Name $name, array $written) {
    expect(madeOf(['authors' => [$name]])->authors)->toBe([$written]);
})->with([
    'family and given name' => [new Name('Okafor', 'Ines Maria'), ['okafor', 'okafor', 'im']],
    'initials run together' => [new Name('Okafor', 'IM'), ['okafor', 'okafor', 'im']],
    'initials with dots' => [new Name('Okafor', 'I. M.'), ['okafor', 'okafor', 'im']],
    'initials behind the family name' => [new Name('Okafor IM', ''), ['okafor', 'okafor', 'im']],
    'a name with a dash' => [new Name('Haas-Okafor', 'Ines'), ['haasokafor', 'okafor', 'i']],
    'an apostrophe' => [new Name("O'Kafor", 'Ines'), ['okafor', 'okafor', 'i']],
    'a typographic apostrophe' => [new Name('O’Kafor', 'Ines'), ['okafor', 'okafor', 'i']],
    'an accent in its place' => [new Name('O`Kafor', 'Ines'), ['okafor', 'okafor', 'i']],
    'a dot' => [new Name('St. Haas', 'Ines'), ['sthaas', 'haas', 'i']],
    'an umlaut written out' => [new Name('Goetze', 'Uwe'), ['gotze', 'gotze', 'u']],
    'another' => [new Name('Jaeger', 'Uwe'), ['jager', 'jager', 'u']],
    'a third' => [new Name('Mueller', 'Uwe'), ['muller', 'muller', 'u']],
    'a name in capitals is no initials' => [new Name('Okafor', 'INESM'), ['okafor', 'okafor', 'i']],
    'no given name' => [new Name('Ward Group', ''), ['wardgroup', 'group', '']],
]);

it('counts people, of whom it keeps eight, and knows a list that is cut short', function () {
    $many = array_map(fn (int $i): Name => new Name('Okafor'.chr(96 + $i), 'I'), range(1, 10));
    $print = madeOf(['authors' => [...$many, new Name('et al.')]]);
    expect([count($print->authors), $print->authorCount, $print->cutShort])->toBe([8, 10, true])
        ->and(madeOf(['authors' => $many])->cutShort)->toBeFalse()
        ->and(madeOf(['editors' => [new Name('Haas', 'M')]])->authors)->toBe([['haas', 'haas', 'm']])
        ->and(madeOf(['authors' => [new Name('Lind', 'P')], 'editors' => [new Name('Haas', 'M')]])->authors)->toBe([['lind', 'lind', 'p']]);
});

it('knows notices, abstracts, data and preprints by what their source says', function (array $values, string $genre) {
    expect(madeOf($values)->genre)->toBe($genre);
})->with([
    'nothing said' => [[], ''],
    'an erratum' => [['extra' => [new SourceField('PT', 'Published Erratum')]], 'notice'],
    'elsewhere it says nothing' => [['extra' => [new SourceField('N2', 'Published Erratum')]], ''],
    'an abstract' => [['extra' => [new SourceField('M3', 'Conference Abstract')]], 'abstract'],
    'data' => [['extra' => [new SourceField('genre', 'Dataset')]], 'data'],
    'an entry of a register' => [['type' => PublicationType::RegisterEntry], 'data'],
    'a preprint by its type' => [['type' => PublicationType::Preprint], 'preprint'],
    'a preprint by a note' => [['extra' => [new SourceField('note', 'A preprint of 2020')]], 'preprint'],
    'a notice before all else' => [['type' => PublicationType::Preprint, 'extra' => [new SourceField('type', 'Correction')]], 'notice'],
]);

it('looks for a DOI in its field first, then in links, then in what else is told', function (array $values, string $doi, bool $isElsewhere) {
    $print = madeOf($values);
    expect([$print->doi, $print->doiElsewhere])->toBe([$doi, $isElsewhere]);
})->with([
    'none' => [['urls' => ['https://ward.example/lamps']], '', false],
    'its field' => [['doi' => 'doi:10.71111/A', 'urls' => ['https://doi.org/10.72222/b']], '10.71111/a', false],
    'what is none in its field' => [['doi' => 'none', 'urls' => ['https://doi.org/10.72222/b']], '10.72222/b', true],
    'the second link' => [['urls' => ['https://ward.example', 'https://doi.org/10.72222/b']], '10.72222/b', true],
    'its number' => [['accession' => '10.72222/b'], '10.72222/b', true],
    'a note' => [['extra' => [new SourceField('N1', 'doi 10.72222/b')]], '10.72222/b', true],
    'what names another work' => [['extra' => [new SourceField('CIN', 'Ward Stud 2016. 10.72222/b'), new SourceField('EIN', '10.73333/c')]], '', false],
]);

it('keeps sentences of some length, each once', function () {
    $one = 'We lit the lamps of twelve wards by night. It was bright. Nurses slept longer by day; they said so themselves.';
    $same = 'WE LIT the lamps of twelve wards by night. Nurses slept longer by day. Nurses slept longer by day.';
    expect(madeOf(['abstract' => $one])->sentences)->toHaveCount(3)
        ->and(madeOf(['abstract' => $same])->sentences)->toBe(array_slice(madeOf(['abstract' => $one])->sentences, 0, 2))
        ->and(madeOf([])->sentences)->toBe([]);
});

it('leaves out of a journal’s name what abbreviations leave out', function (string $name, string $words) {
    expect(madeOf(['journal' => $name])->journals)->toBe($words === '' ? [] : [$words]);
})->with([
    ['The Annals of Night and Day in the Ward for Work on Light', 'annals night day ward work light'],
    ['Annales de la Lumière et des Veilles du Nord: Le Cahier, les Nuits', 'annales lumiere veilles nord cahier nuits'],
    ['Zeitschrift für die Nacht und der Dienst', 'zeitschrift nacht dienst'],
    ['Revista del Sueño y el Turno', 'revista sueno turno'],
    ['Anais da Noite e do Turno, Giornale di Lume', 'anais noite turno giornale lume'],
    ['An Answer to Work with Light', 'answer work light'],
    ['Light &amp; Sleep', 'light sleep'],
    ['Of the', ''],
    ['', ''],
]);

it('keeps both names of a journal, each once', function () {
    $named = fn (string $full, string $short): array => madeOf(['journal' => $full, 'journalShort' => $short])->journals;
    expect($named('Annals of Light', 'Ann Light'))->toBe(['annals light', 'ann light'])
        ->and($named('Annals of Light', 'The Annals, Light'))->toBe(['annals light'])
        ->and($named('', 'Ann Light'))->toBe(['ann light']);
});

it('writes volumes and issues in one manner', function (string $told, string $written) {
    $print = madeOf(['volume' => $told, 'issue' => $told]);
    expect([$print->volume, $print->issue])->toBe([$written, $written]);
})->with([
    ['12', '12'], ['Vol. 12', '12'], ['volume 12', '12'], ['No. 3', '3'], ['number 3', '3'], ['Issue 3', '3'],
    ['Nr. 3', '3'], ['iss. 3', '3'], ['Heft 3', '3'], ['Bd. 7', '7'], ['Band 7', '7'], ['007', '7'], ['0', ''],
    ['Suppl 3', 's3'], ['Suppl. 3', 's3'], ['Supplement 3', 's3'], ['S3', 's3'], ['Supplement', 's'], ['suppl a', 'sa'],
    ['12 (Suppl 1)', '12-s1'], ['4/5', '4-5'], ['4–5', '4-5'], ['(4)', '4'], ['Novo', 'novo'], ['summer', 'summer'],
]);

it('takes no DOI from what names another work', function (string $tag) {
    expect(madeOf(['extra' => [new SourceField($tag, 'Ward Stud 2016. 10.72222/b')]])->doi)->toBe('')
        ->and(madeOf(['extra' => [new SourceField("{$tag}2", 'Ward Stud 2016. 10.72222/b')]])->doi)->toBe('10.72222/b');
})->with([
    'CIN', 'CON', 'EIN', 'EFR', 'RIN', 'ROF', 'UIN', 'UOF', 'DDIN', 'DRIN', 'SPIN', 'ORI', 'RPI', 'RPF', 'CRI', 'CRF',
    'crossref', 'related',
]);

it('knows the title in another language by its field, however that is written', function (string $tag) {
    expect(madeOf(['extra' => [new SourceField($tag, 'Lampen der Station')]])->otherTitles)->toBe(['lampen der station']);
})->with([
    'TT', 'OP', 'T0', 'ST', 'original title', 'Original Title', 'original_title', 'originaltitle', 'OriginalTitle',
    'translated title', 'translatedtitle', 'title_original', 'vernacular title', 'titleaddon', 'origtitle',
]);

it('knows a title in another language by its brackets, where both are long enough', function (string $title, array $both) {
    expect(madeOf(['title' => $title])->otherTitles)->toBe($both);
})->with([
    ['Lamps of wards [Lampen im Haus]', ['lamps of wards', 'lampen im haus']],
    ['Lamps of wards [Lampen im Haus].', ['lamps of wards', 'lampen im haus']],
    ['Lamps of war [Lampen im Ha]', ['lamps of war', 'lampen im ha']],
    ['Lamps of w [Lampen im Haus]', []],
    ['Lamps of wards [Lampen im H]', []],
    ['Lamps of wards [Lampen im Haus] by night', []],
]);

it('does not count as people what says that a list goes on', function (string $name, bool $isCut) {
    $print = madeOf(['authors' => [new Name('Okafor', 'I'), new Name($name, '')]]);
    expect([$print->authorCount, $print->cutShort])->toBe($isCut ? [1, true] : [2, false]);
})->with([
    ['et al', true], ['et. al.', true], ['  Et al.', true], ['and others', true], ['Others', true], ['...', true],
    ['Anon', true], ['Etalon', false], ['Brothers', false], ['..', false], ['Banon', false],
]);

it('knows what a record is by whichever field says so', function (string $tag) {
    expect(madeOf(['extra' => [new SourceField($tag, 'Preprint')]])->genre)->toBe('preprint');
})->with(['TY', 'M3', 'PT', 'document type', 'genre', 'type', 'entrytype', 'note']);

it('knows what a record is by each of the words for it', function (string $said, string $genre) {
    expect(madeOf(['extra' => [new SourceField('PT', $said)]])->genre)->toBe($genre);
})->with([
    ['Erratum', 'notice'], ['Correction', 'notice'], ['Corrigendum', 'notice'], ['Retraction of Publication', 'notice'],
    ['Conference Abstract', 'abstract'], ['MEETING ABSTRACT', 'abstract'], ['abst', 'abstract'], ['abstraction', ''],
    ['Dataset', 'data'], ['data set', 'data'], ['datasets', ''], ['preprints', ''], ['Journal Article', ''],
]);

it('parts an abstract at the end of sentences, and takes those of twenty letters and more', function () {
    $hashed = fn (string $abstract): array => madeOf(['abstract' => $abstract])->sentences;
    $letters = 'abcdefghij klmnopqrst';
    expect($hashed("{$letters}. Short"))->toBe([crc32('abcdefghijklmnopqrst')])
        ->and($hashed('abcdefghij klmnopqrs'))->toBe([])
        ->and($hashed('abcdefghij klmnopqr 2'))->toBe([])
        ->and($hashed('abcdefghij klmnopqrs 2'))->toBe([crc32('abcdefghijklmnopqrs2')]);
    foreach (['.', ';', ':', '!', '?'] as $end) {
        expect($hashed("{$letters}{$end} {$letters} again"))->toHaveCount(2);
    }
    expect($hashed("{$letters}.{$letters}"))->toHaveCount(1)
        // what comes after the first six thousand letters is not read
        ->and($hashed(str_repeat(' ', 5979)."{$letters}"))->toBe([crc32('abcdefghijklmnopqrst')])
        ->and($hashed(str_repeat(' ', 5980)."{$letters}"))->toBe([]);
});
