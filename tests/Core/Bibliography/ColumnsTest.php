<?php

use WaryHeron\Core\Bibliography\Format\Table\Columns;

it('knows columns by their headings in several languages', function (array $headings, array $fields) {
    expect(Columns::guess($headings)->fields)->toBe($fields);
})->with([
    [['Title', 'Authors', 'Year', 'DOI'], ['title', 'authors', 'year', 'doi']],
    [
        ['Titel', 'Verfasser', 'Erscheinungsjahr', 'Zeitschrift', 'Seiten', 'Schlagwörter'],
        ['title', 'authors', 'year', 'journal', 'pages', 'keywords'],
    ],
    [
        ['Titre', 'Auteurs', 'Année', 'Revue', 'Numéro', 'Résumé'],
        ['title', 'authors', 'year', 'journal', 'issue', 'abstract'],
    ],
    [
        ['Título', 'Autores', 'Año', 'Revista', 'Páginas', 'Palabras clave'],
        ['title', 'authors', 'year', 'journal', 'pages', 'keywords'],
    ],
    [['Remark', 'Ward'], []],
]);

it('says what columns look like that would be kept beside', function (array $rows, array $looks) {
    expect(Columns::guess(['Title', 'Where'])->overlooked($rows))->toBe($looks);
})->with([
    'DOIs' => [
        [['Lamps', 'x', '10.71111/a'], ['Visors', 'y', 'https://doi.org/10.71111/b'], ['Naps', '', '']],
        [2 => 'doi'],
    ],
    'authors' => [
        [['Lamps', 'Kolbe, Anna; Strand, B.'], ['Visors', 'Okafor I, Haas M'], ['Naps', 'Haas, M.']],
        [1 => 'authors'],
    ],
    'years' => [[['Lamps', 'ward 9', '2004'], ['Visors', 'ward 7', '1999']], [2 => 'year']],
    'an abstract' => [[['Lamps', str_repeat('They slept by day. ', 10)]], [1 => 'abstract']],
    'nothing' => [[['Lamps', 'ward 9'], ['Visors', 'the cellar']], []],
    'no rows' => [[], []],
]);

it('points at nothing that another column holds', function () {
    expect((new Columns([0 => 'title', 1 => 'doi']))->overlooked([['Lamps', '10.71111/a', '10.71111/b']]))->toBe([]);
});
