<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Table;

/** Which column of a table holds which of our fields. Columns that hold none are kept as left-over fields under their heading. */
final readonly class Columns
{
    /** What a column can hold, and headings that say so, in lower case without signs. */
    public const FIELDS = [
        'id' => ['id', 'recordid', 'recordnumber', 'recordno', 'refid', 'referenceid', 'key', 'identifier'],
        'type' => ['type', 'documenttype', 'publicationtype', 'itemtype', 'referencetype', 'doctype', 'kind'],
        'title' => ['title', 'articletitle', 'documenttitle', 'publicationtitle', 'worktitle', 'titel', 'titre', 'ti'],
        'authors' => ['authors', 'author', 'authorfullnames', 'authornames', 'creators', 'creator', 'by', 'au'],
        'year' => ['year', 'publicationyear', 'pubyear', 'yearpublished', 'py', 'jahr', 'annee'],
        'date' => ['date', 'publicationdate', 'pubdate', 'datepublished'],
        'journal' => ['journal', 'sourcetitle', 'source', 'journaltitle', 'journalname', 'publicationname', 'containertitle', 'periodical', 'booktitle', 'so'],
        'journalShort' => ['journalshort', 'journalabbreviation', 'abbreviatedjournal', 'abbreviatedsourcetitle', 'shortjournal'],
        'volume' => ['volume', 'vol', 'vl'],
        'issue' => ['issue', 'number', 'no', 'issuenumber'],
        'pages' => ['pages', 'page', 'pagination', 'pagerange', 'pp', 'articlenumber', 'artno'],
        'firstPage' => ['firstpage', 'startpage', 'pagestart', 'pagefrom'],
        'lastPage' => ['lastpage', 'endpage', 'pageend', 'pageto'],
        'doi' => ['doi', 'digitalobjectidentifier'],
        'abstract' => ['abstract', 'abstracttext', 'summary', 'ab'],
        'keywords' => ['keywords', 'keyword', 'authorkeywords', 'subjects', 'subject', 'indexterms', 'descriptors', 'tags', 'headings'],
        'language' => ['language', 'lang', 'languageoforiginaldocument'],
        'url' => ['url', 'urls', 'link', 'links', 'weblink', 'address'],
        'publisher' => ['publisher'],
        'place' => ['place', 'city', 'publicationplace', 'placeofpublication'],
        'issn' => ['issn', 'isbn', 'issnisbn', 'isxn'],
        'accession' => ['accession', 'accessionnumber', 'accessionno', 'an', 'databaseid', 'uniqueid'],
        'fields' => ['otherfields'],
    ];

    /** @param  array<int, string>  $fields the field by column number, from 0; columns left out hold none */
    public function __construct(public array $fields)
    {
        if (array_diff($fields, array_keys(self::FIELDS)) !== []) {
            throw new \InvalidArgumentException('Not a field: '.implode(', ', array_diff($fields, array_keys(self::FIELDS))));
        }
    }

    /** @param  list<string>  $headings */
    public static function guess(array $headings): self
    {
        $plain = array_map(fn (string $heading): string => (string) preg_replace('/[^\p{L}]+/u', '', mb_strtolower($heading)), $headings);
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

    public function hold(string $field): bool
    {
        return in_array($field, $this->fields, true);
    }
}
