<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\Year;

/**
 * Reads BibTeX entry by entry, LaTeX turned into plain text. An entry starts with an at sign that begins a line and ends where its braces
 * close, or, unclosed, before the next such line. One that refers to another by crossref takes over what it lacks, wherever that stands.
 */
final class BibtexReader implements RecognisesItself, ReferenceReader
{
    private const MONTHS = ['jan' => 'Jan', 'feb' => 'Feb', 'mar' => 'Mar', 'apr' => 'Apr', 'may' => 'May', 'jun' => 'Jun', 'jul' => 'Jul', 'aug' => 'Aug', 'sep' => 'Sep', 'oct' => 'Oct', 'nov' => 'Nov', 'dec' => 'Dec'];

    /** So many bytes all strings may have together. */
    private const MOST_STRINGS = 4_194_304;

    /** Fields of a parent that are longer than this are no names, dates or titles, and stay with it. */
    private const HANDED_DOWN = 2_000;

    /** Where a parent's field goes in the child. */
    private const INHERITED = ['title' => 'booktitle'];

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])\s*@\s*[A-Za-z]{3,20}\s*[{(]/', $beginning) === 1;
    }

    public function read($stream, Reading $reading = new Reading): iterable
    {
        $strings = self::MONTHS;
        $held = 0;
        /** @var array<string, array<string, string>> $parents */
        $parents = [];
        /** @var list<BibtexEntry> $waiting */
        $waiting = [];
        $anything = false;
        foreach ($this->texts($stream, $reading) as $line => $text) {
            $anything = true;
            $kind = preg_match('/^@\s*([A-Za-z]+)/', $text, $found) === 1 ? strtolower($found[1]) : '';
            if ($kind === 'comment' || $kind === 'preamble') {
                continue;
            }
            if (strlen($text) > self::LARGEST_RECORD) {
                yield UnreadableRecord::tooLarge($line, $text);

                continue;
            }
            try {
                if ($kind === 'string') {
                    [$name, $value] = $this->string($text, $strings);
                    $held += strlen($value);
                    if ($held > self::MOST_STRINGS) {
                        throw new \InvalidArgumentException('All strings together have more than '.number_format(self::MOST_STRINGS).' bytes; this one is not kept.');
                    }
                    $strings[$name] = $value;

                    continue;
                }
                $entry = BibtexEntry::parse($text, $line, $strings);
            } catch (\InvalidArgumentException $wrong) {
                yield UnreadableRecord::broken($line, $wrong->getMessage(), $text);

                continue;
            }
            if (in_array($kind, ['proceedings', 'book', 'collection', 'periodical', 'mvbook'], true)) {
                // what is handed down to every child is short
                $parents[strtolower($entry->key)] = array_filter(array_diff_key($entry->fields, ['abstract' => 1]), fn (string $value): bool => strlen($value) <= self::HANDED_DOWN);
            }
            $parent = strtolower($entry->fields['crossref'] ?? '');
            if ($parent !== '' && ! isset($parents[$parent])) {
                $waiting[] = $entry;

                continue;
            }
            yield $this->reference($entry, $parents[$parent] ?? []);
            if ($waiting !== [] && isset($parents[strtolower($entry->key)])) {
                $own = fn (BibtexEntry $one): bool => strtolower($one->fields['crossref']) === strtolower($entry->key);
                foreach (array_filter($waiting, $own) as $child) {
                    yield $this->reference($child, $parents[strtolower($entry->key)]);
                }
                $waiting = array_values(array_filter($waiting, fn (BibtexEntry $one): bool => ! $own($one)));
            }
        }
        foreach ($waiting as $child) {
            yield $this->reference($child, []);
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
    }

    /**
     * @param  resource  $stream
     * @return \Generator<int, string> the text of each entry by the line it starts in; text between entries is comment
     */
    private function texts($stream, Reading $reading): \Generator
    {
        $text = null;
        $start = 0;
        $depth = 0;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            $opens = preg_match('/^\s*@\s*[A-Za-z]{3,20}\s*[{(]/', $line) === 1;
            if ($text !== null && $opens && preg_match('/^@/', $line) === 1) {
                // the one before was never closed
                yield $start => $text;
                $text = null;
            }
            if ($text === null) {
                if (! $opens) {
                    continue;
                }
                [$text, $start, $depth] = ['', $number, 0];
                $line = ltrim($line);
            }
            if (strlen($text) <= self::LARGEST_RECORD) {
                $text .= ($text === '' ? '' : "\n").$line;
            }
            $bare = (string) preg_replace('/\\\\./s', '', $line);
            $depth += substr_count($bare, '{') - substr_count($bare, '}') + ($text === $line ? (int) (preg_match('/^@\s*[A-Za-z]+\s*\(/', $line) === 1) : 0);
            if ($depth <= 0 || ($depth === 1 && preg_match('/^@\s*[A-Za-z]+\s*\(/', $text) === 1 && preg_match('/\)\s*$/', $line) === 1)) {
                yield $start => $text;
                $text = null;
            }
        }
        if ($text !== null) {
            yield $start => $text;
        }
    }

    /**
     * @param  array<string, string>  $strings
     * @return array{string, string} name and value
     */
    private function string(string $text, array $strings): array
    {
        if (preg_match('/^@\s*string\s*[{(]\s*([^\s=]+)\s*=\s*/i', $text, $head) !== 1) {
            throw new \InvalidArgumentException('A string reads like @string{name = {value}}.');
        }
        $at = strlen($head[0]);

        return [strtolower($head[1]), BibtexEntry::value($text, $at, $strings, $head[1])];
    }

    /** @param  array<string, string>  $parent */
    private function reference(BibtexEntry $entry, array $parent): Reference|UnreadableRecord
    {
        $fields = $entry->fields;
        foreach ($parent as $name => $value) {
            $fields[self::INHERITED[$name] ?? $name] ??= $value;
        }
        $raw = ['author' => $fields['author'] ?? ''];
        unset($fields['author']);
        $fields = array_map(fn (string $value): string => trim((string) preg_replace('/\s+/u', ' ', Latex::decoded($value))), $fields);
        $take = function (string ...$names) use (&$fields): string {
            foreach ($names as $name) {
                if (($fields[$name] ?? '') !== '') {
                    $value = $fields[$name];
                    unset($fields[$name]);

                    return $value;
                }
            }

            return '';
        };
        $title = $take('title');
        if ($title === '') {
            return UnreadableRecord::withoutTitle($entry->line, $entry->source, 'Add a title field, or leave the entry out.');
        }
        $subtitle = $take('subtitle');
        $year = Year::of($fields['year'] ?? $fields['date'] ?? '');
        $date = $take('date');
        if ($date === '') {
            $date = trim($take('year').' '.$take('month'));
        } elseif (($fields['year'] ?? '') === (string) $year) {
            unset($fields['year']);
        }
        [$firstPage, $lastPage] = Pages::split($take('pages', 'eid'));
        $type = BibtexTypes::type($entry->type, $fields['type'] ?? '');
        if (BibtexTypes::isOurs($fields['type'] ?? '')) {
            unset($fields['type']);
        }
        $journal = $take('journal', 'journaltitle', ...BibtexTypes::CONTAINERS);
        $id = $take('id');
        $extra = $entry->type === BibtexTypes::entry($type) ? [] : [['entrytype', $entry->type]];
        $values = [
            'journalShort' => $take('shortjournal'), 'volume' => $take('volume'), 'issue' => $take('number', 'issue'),
            'abstract' => $take('abstract'), 'language' => $take('language', 'langid'), 'publisher' => $take('publisher'), 'place' => $take('address', 'location'),
            'issn' => $take('issn'), 'accession' => $take('accession'),
        ];
        $doi = $take('doi');
        $urls = preg_split('/\s+/', $take('url'), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $keywords = Keywords::split($take('keywords', 'keyword'));
        foreach ($fields as $name => $value) {
            if ($value !== '' && $name !== 'crossref') {
                $extra[] = [$name, $value];
            }
        }

        return new Reference(
            ...$values,
            type: $type,
            title: $subtitle === '' ? $title : "{$title}: {$subtitle}",
            authors: BibtexNames::read($raw['author']),
            year: $year,
            date: $date,
            journal: $journal,
            firstPage: $firstPage,
            lastPage: $lastPage,
            doi: Doi::normalised($doi) ?? $doi,
            urls: $urls,
            keywords: $keywords,
            id: $id !== '' ? $id : $entry->key,
            extra: $extra,
            source: $entry->source,
            line: $entry->line,
        );
    }
}
