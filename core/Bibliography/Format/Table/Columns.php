<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

use WaryHeron\Core\Text\Words;

/**
 * Which column of a table holds which of our fields. Columns that hold none are kept as left-over fields under their
 * heading.
 */
final readonly class Columns
{
    /**
     * What a column can hold, and headings that say so in several languages, in lower case without signs and accents.
     */
    public const FIELDS = [
        'id' => ['id', 'recordid', 'recordnumber', 'recordno', 'refid', 'referenceid', 'key', 'identifier'],
        'type' => [
            'type',
            'documenttype',
            'publicationtype',
            'itemtype',
            'referencetype',
            'doctype',
            'kind',
            'typ',
            'dokumenttyp',
            'typededocument',
            'tipo',
            'tipodedocumento',
        ],
        'title' => [
            'title',
            'articletitle',
            'documenttitle',
            'publicationtitle',
            'worktitle',
            'titel',
            'titre',
            'ti',
            'titolo',
            'titulo',
            'tittel',
            'otsikko',
            'tytul',
            'nazev',
            'artikeltitel',
            'titredelarticle',
        ],
        'authors' => [
            'authors',
            'author',
            'authorfullnames',
            'authornames',
            'creators',
            'creator',
            'by',
            'au',
            'autor',
            'autoren',
            'verfasser',
            'auteur',
            'auteurs',
            'autori',
            'autore',
            'autores',
            'forfatter',
            'forfattere',
            'forfattare',
            'tekija',
            'tekijat',
            'autorzy',
        ],
        'year' => [
            'year',
            'publicationyear',
            'pubyear',
            'yearpublished',
            'py',
            'jahr',
            'annee',
            'erscheinungsjahr',
            'anneedepublication',
            'ano',
            'anodepublicacion',
            'anodepublicacao',
            'anno',
            'jaar',
            'ar',
            'vuosi',
            'rok',
        ],
        'date' => [
            'date',
            'publicationdate',
            'pubdate',
            'datepublished',
            'datum',
            'fecha',
            'data',
            'datedepublication',
        ],
        'journal' => [
            'journal',
            'sourcetitle',
            'source',
            'journaltitle',
            'journalname',
            'publicationname',
            'containertitle',
            'periodical',
            'booktitle',
            'so',
            'zeitschrift',
            'revue',
            'revista',
            'rivista',
            'tijdschrift',
            'tidsskrift',
            'tidskrift',
            'lehti',
            'czasopismo',
        ],
        'journalShort' => [
            'journalshort',
            'journalabbreviation',
            'abbreviatedjournal',
            'abbreviatedsourcetitle',
            'shortjournal',
        ],
        'volume' => ['volume', 'vol', 'vl', 'band', 'jahrgang', 'volumen', 'jaargang'],
        'issue' => ['issue', 'number', 'no', 'issuenumber', 'heft', 'nummer', 'ausgabe', 'numero', 'aflevering'],
        'pages' => [
            'pages',
            'page',
            'pagination',
            'pagerange',
            'pp',
            'articlenumber',
            'artno',
            'seiten',
            'seite',
            'paginas',
            'pagine',
            'sider',
            'sidor',
            'strony',
        ],
        'firstPage' => ['firstpage', 'startpage', 'pagestart', 'pagefrom'],
        'lastPage' => ['lastpage', 'endpage', 'pageend', 'pageto'],
        'doi' => ['doi', 'digitalobjectidentifier'],
        'abstract' => [
            'abstract',
            'abstracttext',
            'summary',
            'ab',
            'zusammenfassung',
            'resume',
            'resumen',
            'resumo',
            'riassunto',
            'samenvatting',
            'sammendrag',
            'sammanfattning',
            'streszczenie',
        ],
        'keywords' => [
            'keywords',
            'keyword',
            'authorkeywords',
            'subjects',
            'subject',
            'indexterms',
            'descriptors',
            'tags',
            'headings',
            'schlagworter',
            'schlagworte',
            'stichworter',
            'motscles',
            'palabrasclave',
            'palavraschave',
            'parolechiave',
            'trefwoorden',
            'nokkelord',
            'nyckelord',
        ],
        'language' => [
            'language',
            'lang',
            'languageoforiginaldocument',
            'sprache',
            'langue',
            'idioma',
            'lingua',
            'taal',
            'sprak',
        ],
        'url' => ['url', 'urls', 'link', 'links', 'weblink', 'address', 'lien', 'enlace', 'adresse'],
        'publisher' => ['publisher', 'verlag', 'editeur', 'editorial', 'editora', 'editore', 'uitgever', 'forlag'],
        'place' => [
            'place',
            'city',
            'publicationplace',
            'placeofpublication',
            'ort',
            'erscheinungsort',
            'lieu',
            'lugar',
            'luogo',
        ],
        'issn' => ['issn', 'issnisbn', 'isxn'],
        'editors' => [
            'editors',
            'editor',
            'editornames',
            'ed',
            'eds',
            'editedby',
            'herausgeber',
            'hrsg',
            'editores',
            'curatore',
            'curatori',
        ],
        'series' => ['series', 'seriestitle', 'seriesname', 'bookseries', 'reihe', 'collection', 'serie', 'collana'],
        'edition' => ['edition', 'auflage', 'edicion', 'edicao', 'edizione'],
        'isbn' => ['isbn', 'isbns'],
        'partTitle' => ['parttitle', 'volumetitle', 'bandtitel'],
        'accession' => ['accession', 'accessionnumber', 'accessionno', 'an', 'databaseid', 'uniqueid'],
        'fields' => ['otherfields'],
    ];

    /** How cells look that hold this. */
    private const LOOKS = [
        'doi' => '~^(?:https?://(?:dx\.)?doi\.org/|doi:?\s*)?10\.\d{4,9}/\S+$~i',
        'year' => '/^(?:1[5-9]|20)\d\d$/',
        'authors' => '/^\p{Lu}[\p{L}\'’ -]*(?:,\s*\p{Lu}[\p{L}. -]*|\s\p{Lu}{1,3})(?:\s*(?:;|,|&|and)\s*.+)?$/u',
        'abstract' => '/^.{140,}/us',
    ];

    /** @param  array<int, string>  $fields the field by column number, from 0; columns left out hold none */
    public function __construct(public array $fields)
    {
        if (array_diff($fields, array_keys(self::FIELDS)) !== []) {
            throw new \InvalidArgumentException(
                'Not a field: '.implode(', ', array_diff($fields, array_keys(self::FIELDS))),
            );
        }
    }

    /** @param  list<string>  $headings */
    public static function guess(array $headings): self
    {
        $plain = array_map(
            fn (string $heading): string => (string) preg_replace('/[^\p{L}]+/u', '', Words::fold($heading)),
            $headings,
        );
        $fields = [];
        foreach (self::FIELDS as $field => $names) {
            foreach ($names as $name) {
                $at = array_search($name, $plain, true);
                if ($at !== false && ! isset($fields[$at])) {
                    $fields[$at] = $field;
                    break;
                }
            }
        }
        ksort($fields);

        return new self($fields);
    }

    /**
     * What columns that hold nothing of ours look like by their cells, and no other column holds: easily overlooked,
     * dearly missed.
     *
     * @param  list<list<string>>  $rows  some of the table's
     * @return array<int, string> one of doi, authors, year and abstract by column
     */
    public function overlooked(array $rows): array
    {
        $looks = [];
        foreach (range(0, max([0, ...array_map(count(...), $rows)])) as $at) {
            $cells = array_values(
                array_filter(
                    array_map(fn (array $row): string => trim($row[$at] ?? ''), $rows),
                    fn (string $cell): bool => $cell !== '',
                ),
            );
            foreach (isset($this->fields[$at]) || $cells === [] ? [] : self::LOOKS as $field => $pattern) {
                if (! $this->hold($field) && count(preg_grep($pattern, $cells) ?: []) >= 0.6 * count($cells)) {
                    $looks[$at] = $field;
                    break;
                }
            }
        }

        return $looks;
    }

    public function hold(string $field): bool
    {
        return in_array($field, $this->fields, true);
    }
}
