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
 * Reads BibTeX entry by entry, LaTeX turned into plain text. One that refers to another by crossref or xdata takes over what it lacks,
 * wherever that stands.
 */
final class BibtexReader implements RecognisesItself, ReferenceReader
{
    private const MONTHS = ['jan' => 'Jan', 'feb' => 'Feb', 'mar' => 'Mar', 'apr' => 'Apr', 'may' => 'May', 'jun' => 'Jun', 'jul' => 'Jul', 'aug' => 'Aug', 'sep' => 'Sep', 'oct' => 'Oct', 'nov' => 'Nov', 'dec' => 'Dec'];

    /** So many bytes all strings may have together. */
    private const MOST_STRINGS = 4_194_304;

    /** Fields of a parent that are longer than this are no names, dates or titles, and stay with it. */
    private const HANDED_DOWN = 2_000;

    /** What others take over from by crossref. */
    private const PARENTS = ['proceedings', 'book', 'collection', 'periodical', 'reference', 'mvbook', 'mvcollection', 'mvproceedings', 'mvreference'];

    /** Where a parent's field goes in the child: a volume's title is what the chapter stands in, that of a work in volumes the volume's main title. */
    private const INHERITED = ['title' => 'booktitle', 'subtitle' => 'booksubtitle', 'titleaddon' => 'booktitleaddon'];

    private const INHERITED_OF_VOLUMES = ['title' => 'maintitle', 'subtitle' => 'mainsubtitle', 'titleaddon' => 'maintitleaddon'];

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
        /** @var array<string, array<string, string>> $shared what xdata entries hold for others, as it is */
        $shared = [];
        /** @var list<BibtexEntry> $waiting */
        $waiting = [];
        $anything = false;
        foreach ((new BibtexBlocks)->of(Lines::of($stream, $reading)) as $line => $text) {
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
            if ($kind === 'xdata') {
                $shared[strtolower($entry->key)] = self::handedDown($entry);

                continue;
            }
            foreach (array_filter(array_map(trim(...), explode(',', strtolower($entry->fields['xdata'] ?? '')))) as $key) {
                $entry->fields += $shared[$key] ?? [];
            }
            if (in_array($kind, self::PARENTS, true)) {
                $parents[strtolower($entry->key)] = self::handedDown($entry);
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
            yield $this->reference($child, $parents[strtolower($child->fields['crossref'])] ?? []);
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
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

    /** @return array<string, string> what is handed down to every child is short */
    private static function handedDown(BibtexEntry $entry): array
    {
        $short = array_filter(array_diff_key($entry->fields, ['abstract' => 1]), fn (string $value): bool => strlen($value) <= self::HANDED_DOWN);

        return [...$short, ...(str_starts_with($entry->type, 'mv') ? ['entrytype' => $entry->type] : [])];
    }

    /** @param  array<string, string>  $parent */
    private function reference(BibtexEntry $entry, array $parent): Reference|UnreadableRecord
    {
        $fields = $entry->fields;
        $goes = str_starts_with($parent['entrytype'] ?? '', 'mv') ? self::INHERITED_OF_VOLUMES : self::INHERITED;
        foreach (array_diff_key($parent, ['entrytype' => 1]) as $name => $value) {
            $fields[$goes[$name] ?? $name] ??= $value;
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
            if ($value !== '' && $name !== 'crossref' && $name !== 'xdata') {
                $extra[] = [$name, $value];
            }
        }

        return UnreadableRecord::unlessIdentified(new Reference(
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
        ), 'Add a title field, or leave the entry out.');
    }
}
