<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

/** Which columns of a table answer which part of a query; null where the table has none. */
final readonly class TableLayout
{
    /**
     * @param  string  $words  tsvector as IndexedText builds it
     * @param  ?string  $journalWords  tsvector of the journal's name
     * @param  array<string, string>  $exact  columns compared whole and in lower case, by Field value
     * @param  ?string  $qualifiedColumn  text array of number/qualifier, with + behind the number for a branch and !
     *     for major
     * @param  ?string  $titleWords  tsvector of the title alone, which spares looking at weights
     * @param  array<string, \Closure(string, list<string|int>): SqlCondition>  $related  by Field value: the condition
     *     that a text in another table compares so, as in “@@ ?::tsquery” or “IN (?)”
     * @param  ?string  $authorsAlone  tsvector of the authors beside $words, which hold them too
     * @param  ?WordList  $wordList  what masked words are written out by
     * @param  ?string  $authorWords  tsvector of the authors, where $words does not hold them
     * @param  array<string, string>  $limits  text columns in lower case, by LimitKind value, with [] behind an array;
     *     the year is an integer
     */
    public function __construct(
        public string $words,
        public ?string $journalWords,
        public array $exact,
        public array $limits,
        public ?HeadingNumbers $headings = null,
        public ?string $headingColumn = null,
        public ?string $closureColumn = null,
        public ?string $majorColumn = null,
        public ?string $majorClosureColumn = null,
        public ?string $qualifiedColumn = null,
        public ?string $titleWords = null,
        public ?string $authorWords = null,
        public array $related = [],
        public ?WordList $wordList = null,
        public ?string $authorsAlone = null,
    ) {
    }
}
