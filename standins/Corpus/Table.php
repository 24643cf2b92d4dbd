<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

use PDO;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Text\Words;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\ResultSets;

/**
 * A service's records in PostgreSQL: made once from the generator, then only read.
 *
 * @phpstan-type Entry array{identifier: string, title: string, abstract: string, authors: list<array{string, string}>,
 *     year: int, journal: array<int, mixed>, volume: string, issue: string, firstPage: string, lastPage: string,
 *     doi: string, language: string, types: list<string>, headings: list<int>, major: list<int>, qualifiers: array<int,
 *     list<string>>, ages: list<string>, species: string}
 */
final readonly class Table
{
    private const COLUMNS = <<<'SQL'
    number integer PRIMARY KEY, identifier text NOT NULL, doi text NOT NULL, year integer NOT NULL, language text NOT NULL,
    types text[] NOT NULL, ages text[] NOT NULL, species text NOT NULL, headings integer[] NOT NULL, headings_above integer[] NOT NULL,
    major integer[] NOT NULL, major_above integer[] NOT NULL, qualified text[] NOT NULL, words tsvector COMPRESSION lz4 NOT NULL, title_words tsvector NOT NULL, author_words tsvector NOT NULL, journal_words tsvector NOT NULL
    SQL;

    private const ARRAYS = [
        'words',
        'title_words',
        'author_words',
        'journal_words',
        'types',
        'headings',
        'headings_above',
        'major',
        'major_above',
        'qualified',
    ];

    public function __construct(private PDO $database, private Service $service)
    {
    }

    public function build(int $alder): void
    {
        $table = $this->service->table();
        $this->database->beginTransaction();
        $this->database->exec(
            "CREATE SCHEMA IF NOT EXISTS {$this->service->key()}; DROP TABLE IF EXISTS {$table}; CREATE TABLE {$table} (".
                self::COLUMNS.
                ') WITH (toast_tuple_target = 8160)',
        );
        // what a record says is kept apart, so that the rows that are counted stay small
        $this->database->exec(
            "DROP TABLE IF EXISTS {$table}_text; CREATE TABLE {$table}_text (number integer PRIMARY KEY, body jsonb COMPRESSION lz4 NOT NULL)",
        );
        $this->database->exec(ResultSets::made($this->service));
        $rows = $texts = [];
        $position = 0;
        foreach ($this->service->holdings($alder) as $study) {
            [$rows[], $texts[]] = $this->row(++$position, $this->service->entry($study, $position));
            if (count($rows) === 1000) {
                $this->copy($table, $rows, $texts);
                $rows = $texts = [];
            }
        }
        $this->copy($table, $rows, $texts);
        $this->database->exec(
            "CREATE UNIQUE INDEX ON {$table} (identifier); CREATE INDEX ON {$table} (doi); CREATE INDEX ON {$table} (year DESC, number)",
        );
        foreach (self::ARRAYS as $column) {
            $this->database->exec("CREATE INDEX ON {$table} USING gin ({$column}) WITH (fastupdate = off)");
        }
        $all = 'SELECT words || title_words || author_words || journal_words FROM '.$table;
        $this->database->exec(
            "DROP TABLE IF EXISTS {$table}_list; CREATE TABLE {$table}_list AS SELECT word COLLATE \"C\" AS word FROM ts_stat('{$all}'); CREATE UNIQUE INDEX ON {$table}_list (word)",
        );
        $this->database->commit();
        // marks all pages as visible to everybody, so that counts which the index answers do not look at the rows at
        // all
        $this->database->exec("VACUUM (ANALYZE) {$table}");
    }

    /**
     * @param  list<string>  $rows
     * @param  list<string>  $texts
     */
    private function copy(string $table, array $rows, array $texts): void
    {
        if ($rows !== []) {
            $this->database->pgsqlCopyFromArray($table, $rows, "\t", '\\\\N');
            $this->database->pgsqlCopyFromArray("{$table}_text", $texts, "\t", '\\\\N');
        }
    }

    /** How many records there are; 0 where none were made yet, or in the shape of an earlier version. */
    public function size(): int
    {
        $isCurrent = $this->value("SELECT to_regclass('".ResultSets::table($this->service)."')");

        return $isCurrent !== null ? (int) $this->value("SELECT count(*) FROM {$this->service->table()}") : 0;
    }

    private function value(string $sql): mixed
    {
        $found = $this->database->query($sql);

        return $found === false ? null : $found->fetchColumn();
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return array{string, string} the row that is searched, and the one that is shown
     */
    private function row(int $position, array $entry): array
    {
        /** @var Entry $entry */
        $thesaurus = $this->service->thesaurus();
        $labels = array_map(fn (int $number): string => (string) $thesaurus?->labels[$number], $entry['headings']);
        $above = fn (array $numbers): array => $thesaurus === null ? [] : $thesaurus->closure(array_values($numbers));
        $words = IndexedText::tsvector([
            'title' => $entry['title'],
            'abstract' => $entry['abstract'],
            'keyword' => implode(' ', $labels),
        ]);
        $title = IndexedText::tsvector(['title' => $entry['title']]);
        $authors = IndexedText::tsvector([
            'author' => implode(
                ' ',
                array_map(fn (array $author): string => "{$author[0]} {$author[1]}", $entry['authors']),
            ),
        ]);
        $journalWords = Words::of((string) $entry['journal'][0]);
        $journal = implode(
            ' ',
            array_map(
                fn (int $at, string $word): string => "'{$word}':".($at + 1),
                array_keys($journalWords),
                $journalWords,
            ),
        );
        $body = [
            ...$entry,
            'headings' => $labels,
            'major' => array_map(fn (int $number): string => (string) $thesaurus?->labels[$number], $entry['major']),
            'qualifiers' => array_combine(
                array_map(
                    fn (int $number): string => (string) $thesaurus?->labels[$number],
                    array_keys($entry['qualifiers']),
                ),
                $entry['qualifiers'],
            ),
        ];

        return [
            implode(
                "\t",
                array_map($this->escaped(...), [
                    (string) $position,
                    $entry['identifier'],
                    mb_strtolower($entry['doi']),
                    (string) $entry['year'],
                    $entry['language'],
                    $this->textArray(array_map(mb_strtolower(...), $entry['types'])),
                    $this->textArray($entry['ages']),
                    $entry['species'],
                    $this->array($entry['headings']),
                    $this->array($above($entry['headings'])),
                    $this->array($entry['major']),
                    $this->array($above($entry['major'])),
                    $this->textArray($this->qualified($entry)),
                    $words,
                    $title,
                    $authors,
                    $journal,
                ]),
            ),
            $position.
            "\t".
            $this->escaped(json_encode($body, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)),
        ];
    }

    /**
     * Heading and qualifier as one word for the index: 12/costs for the heading itself, 12+/costs for its branch, ! for
     * major.
     *
     * @param  array{headings: list<int>, major: list<int>, qualifiers: array<int, list<string>>}  $entry
     * @return list<string>
     */
    private function qualified(array $entry): array
    {
        $all = [];
        foreach ($entry['qualifiers'] as $number => $qualifiers) {
            foreach ($qualifiers as $qualifier) {
                $marks = in_array($number, $entry['major'], true) ? ['', '!'] : [''];
                foreach ($marks as $mark) {
                    $all["{$number}{$mark}/{$qualifier}"] = true;
                    foreach ($this->service->thesaurus()?->closure([$number]) ?? [] as $above) {
                        $all["{$above}+{$mark}/{$qualifier}"] = true;
                    }
                }
            }
        }

        return array_keys($all);
    }

    /** @param  list<int>  $values */
    private function array(array $values): string
    {
        return '{'.implode(',', $values).'}';
    }

    /** @param  list<string>  $values */
    private function textArray(array $values): string
    {
        return '{'.implode(',', array_map(fn (string $value): string => "\"{$value}\"", $values)).'}';
    }

    private function escaped(string $value): string
    {
        return strtr($value, ['\\' => '\\\\', "\t" => '\\t', "\n" => '\\n', "\r" => '\\r']);
    }
}
