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
    [
        ['Titel des Artikels', 'Autor:innen', 'Heft', 'Verlag', 'Ort', 'Kurzfassung', 'Nr.'],
        ['title', 'authors', 'issue', 'publisher', 'place', 'abstract'],
    ],
    [['Verfasser/in', 'Publikationsjahr', 'Zeitschriftentitel'], ['authors', 'year', 'journal']],
    [['Autore/i', 'Titolo', 'Anno di pubblicazione', 'Sintesi'], ['authors', 'title', 'year', 'abstract']],
    [['Título do artigo', 'Autoria', 'Periódico', 'Palavras-chave'], ['title', 'authors', 'journal', 'keywords']],
    [['Forfattere', 'Utgivelsesår', 'Emneord', 'Sammendrag'], ['authors', 'year', 'keywords', 'abstract']],
    [['Tekijät', 'Otsikko', 'Julkaisuvuosi', 'Tiivistelmä'], ['authors', 'title', 'year', 'abstract']],
    [['Autorzy', 'Tytuł', 'Rok wydania', 'Słowa kluczowe'], ['authors', 'title', 'year', 'keywords']],
    [['Yazarlar', 'Başlık', 'Yıl', 'Özet'], ['authors', 'title', 'year', 'abstract']],
    [['Авторы', 'Название', 'Год', 'Аннотация', 'Журнал'], ['authors', 'title', 'year', 'abstract', 'journal']],
    [['标题', '作者', '年份', '期刊', '摘要', '关键词'], ['title', 'authors', 'year', 'journal', 'abstract', 'keywords']],
    [['タイトル', '著者', '発行年', '抄録'], ['title', 'authors', 'year', 'abstract']],
    [['제목', '저자', '연도', '초록'], ['title', 'authors', 'year', 'abstract']],
    [
        ['Date of publication', 'DOI link', 'Web address', 'Abstract Note', 'Index Keywords', 'Issue No.', 'Print ISSN'],
        ['date', 'doi', 'url', 'abstract', 'keywords', 'issue', 'issn'],
    ],
    [['Title', 'Publication Title', 'Authors', 'First Author'], ['title', 'journal', 'authors']],
    [['First Author', 'Publication Title', 'Venue'], ['authors', 'title', 'journal']],
    [
        ['Item Title', 'Publication Title', 'Journal Volume', 'Journal Issue', 'Item DOI', 'Content Type'],
        ['title', 'journal', 'volume', 'issue', 'doi', 'type'],
    ],
    [['Trial ID', 'Scientific title', 'Brief Summary', 'Study URL'], ['accession', 'title', 'abstract', 'url']],
    [['ref_title', 'ref_authors', 'ref_year', 'ref_doi'], ['title', 'authors', 'year', 'doi']],
    [['Premier auteur', 'Titre de l’étude', 'Année'], ['authors', 'title', 'year']],
    [['Erstautor', 'Titel der Studie'], ['authors', 'title']],
    'the surer of two' => [['Keyword', 'Keywords', 'Author', 'Authors'], [1 => 'keywords', 3 => 'authors']],
    [['Remark', 'Ward', 'Location', 'People', 'Screened', 'Reviewer 1', 'Times cited'], []],
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
