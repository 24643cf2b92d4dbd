<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Alder;

use PDO;
use WaryHeron\Core\Search\Sql\TableLayout;
use WaryHeron\Core\Search\Text\IndexedText;
use WaryHeron\Core\Search\Text\Words;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;

/** Alder's records in PostgreSQL: made once from the generator, then only read. */
final readonly class Corpus
{
    private const TABLE = <<<'SQL'
        CREATE SCHEMA IF NOT EXISTS alder;
        DROP TABLE IF EXISTS alder.records;
        CREATE TABLE alder.records (
            number integer PRIMARY KEY, identifier text NOT NULL, doi text NOT NULL, year integer NOT NULL, language text NOT NULL,
            types text[] NOT NULL, headings integer[] NOT NULL, headings_above integer[] NOT NULL, major integer[] NOT NULL, major_above integer[] NOT NULL,
            words tsvector NOT NULL, journal_words tsvector NOT NULL, body jsonb NOT NULL
        );
        SQL;

    private const INDEXES = <<<'SQL'
        CREATE UNIQUE INDEX ON alder.records (identifier);
        CREATE INDEX ON alder.records (doi);
        CREATE INDEX ON alder.records (year);
        CREATE INDEX ON alder.records USING gin (words) WITH (fastupdate = off);
        CREATE INDEX ON alder.records USING gin (journal_words) WITH (fastupdate = off);
        CREATE INDEX ON alder.records USING gin (types);
        CREATE INDEX ON alder.records USING gin (headings);
        CREATE INDEX ON alder.records USING gin (headings_above);
        CREATE INDEX ON alder.records USING gin (major);
        CREATE INDEX ON alder.records USING gin (major_above);
        ANALYZE alder.records;
        SQL;

    private Headings $headings;

    public function __construct(private PDO $database)
    {
        $this->headings = new Headings;
    }

    public static function layout(): TableLayout
    {
        return new TableLayout(
            words: 'words',
            journalWords: 'journal_words',
            exact: ['doi' => 'doi', 'id' => 'identifier'],
            limits: ['year' => 'year', 'language' => 'language', 'type' => 'types[]'],
            headings: new Headings,
            headingColumn: 'headings',
            closureColumn: 'headings_above',
            majorColumn: 'major',
            majorClosureColumn: 'major_above',
        );
    }

    public function build(int $size): void
    {
        $this->database->beginTransaction();
        $this->database->exec(self::TABLE);
        $writer = new StudyWriter;
        $rows = [];
        for ($number = 1; $number <= $size; $number++) {
            $rows[] = $this->row($writer->study($number));
            if (count($rows) === 1000 || $number === $size) {
                $this->database->pgsqlCopyFromArray('alder.records', $rows, "\t", '\\\\N');
                $rows = [];
            }
        }
        $this->database->exec(self::INDEXES);
        $this->database->commit();
    }

    /** How many records there are; 0 where none were made yet. */
    public function size(): int
    {
        $exists = $this->value("SELECT to_regclass('alder.records')");

        return $exists === null ? 0 : (int) $this->value('SELECT count(*) FROM alder.records');
    }

    private function value(string $sql): mixed
    {
        $found = $this->database->query($sql);

        return $found === false ? null : $found->fetchColumn();
    }

    private function row(Study $study): string
    {
        $identifier = sprintf('%04d-%04d', intdiv($study->number, 10000) + 91, $study->number % 10000);
        $authors = implode(' ', array_map(fn (array $a): string => "{$a[0]} {$a[1]}", $study->authors));
        $words = IndexedText::tsvector(['title' => $study->title, 'abstract' => $study->abstract, 'keyword' => implode(' ', $study->ideas), 'author' => $authors]);
        $journal = implode(' ', array_map(fn (int $at, string $word): string => "'{$word}':".($at + 1), array_keys($of = Words::of($study->journal[0])), $of));
        $array = fn (array $values): string => '{'.implode(',', $values).'}';

        return implode("\t", array_map($this->escaped(...), [
            (string) $study->number, $identifier, mb_strtolower($study->doi), (string) $study->year, $study->language,
            '{'.implode(',', array_map(fn (string $type): string => '"'.mb_strtolower($type).'"', $study->types)).'}',
            $array($this->headings->numbers($study->ideas)), $array($this->headings->closure($study->ideas)),
            $array($this->headings->numbers($study->central)), $array($this->headings->closure($study->central)),
            $words, $journal, json_encode(get_object_vars($study) + ['identifier' => $identifier], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
        ]));
    }

    private function escaped(string $value): string
    {
        return strtr($value, ['\\' => '\\\\', "\t" => '\\t', "\n" => '\\n', "\r" => '\\r']);
    }
}
