<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\Year;

/** Reads CSL-JSON item by item: a list of items, one item, an object whose "items" are the list, or one item a line. */
final class CslJsonReader implements RecognisesItself, ReferenceReader
{
    private const DEPTH = 12;

    /** Variables of an item whose value is an object. */
    private const DATES = [
        'issued',
        'accessed',
        'submitted',
        'available-date',
        'event-date',
        'original-date',
        'custom',
    ];

    /** Variables of an item whose value is a list of objects. */
    private const NAMES = [
        'author',
        'editor',
        'translator',
        'chair',
        'collection-editor',
        'compiler',
        'composer',
        'container-author',
        'contributor',
        'curator',
        'director',
        'editorial-director',
        'editor-translator',
        'executive-producer',
        'guest',
        'host',
        'illustrator',
        'interviewer',
        'narrator',
        'organizer',
        'original-author',
        'performer',
        'producer',
        'recipient',
        'reviewed-author',
        'script-writer',
        'series-creator',
    ];

    public function recognises(string $beginning): bool
    {
        return preg_match('/^\s*(?:\[\s*(?:\{|\])|\{\s*")/', $beginning) === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $anything = false;
        foreach ($this->objects($stream, $reading) as $line => [$text, $ended]) {
            $anything = true;
            if ($text === '') {
                continue;
            }
            if (strlen($text) > self::LARGEST_RECORD) {
                yield UnreadableRecord::tooLarge($line, $text);

                continue;
            }
            $item = self::decoded($text) ?? self::decoded(self::withoutLastCommas($text));
            if (! is_array($item)) {
                yield UnreadableRecord::broken(
                    $line,
                    $ended
                        ? 'This item is not valid JSON: '.lcfirst(json_last_error_msg()).'.'
                        : 'The file ends within this item.',
                    $text,
                );

                continue;
            }
            yield $this->reference($item, $text, $line);
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
    }

    /**
     * The outermost objects that are items, told apart by counting brackets outside strings.
     *
     * @param  resource  $stream
     * @return \Generator<int, array{string, bool}> text and whether it ended, by the line it starts in; '' for an empty
     *     list
     */
    private function objects($stream, Reading $reading): \Generator
    {
        $text = null;
        $start = 0;
        $depth = 0;
        $inString = false;
        $wrapped = false;
        $last = 0;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            if ($number !== $last) {
                // no string goes over the end of a line in JSON: a quote left open would swallow what follows
                $inString = false;
                $text = $text === null || strlen($text) > self::LARGEST_RECORD ? $text : "{$text}\n";
                $last = $number;
            }
            if ($number === 1 && preg_match('/^\s*\[\s*\]\s*$/', $line) === 1) {
                yield 1 => ['', true];
            }
            $from = 0;
            for ($at = 0, $length = strlen($line); $at < $length; $at++) {
                $at += $inString ? strcspn($line, '"\\', $at) : strcspn($line, '"{}', $at);
                $sign = $line[$at] ?? '';
                if ($inString) {
                    $at += $sign === '\\' ? 1 : 0;
                    $inString = $sign !== '"';
                } elseif ($sign === '"') {
                    $inString = true;
                } elseif ($sign === '{') {
                    if ($depth === 1 && ! $wrapped && self::wraps($text.substr($line, $from, $at - $from))) {
                        [$wrapped, $depth] = [true, 0];
                    }
                    if ($depth++ === 0) {
                        [$text, $start, $from] = ['', $number, $at];
                    }
                } elseif ($sign === '}' && $depth > 0 && --$depth === 0) {
                    yield $start => [$text.substr($line, $from, $at - $from + 1), true];
                    $text = null;
                }
            }
            if ($text !== null && strlen($text) <= self::LARGEST_RECORD) {
                $text .= substr($line, $from);
            }
        }
        if ($text !== null) {
            yield $start => [$text, false];
        }
    }

    private static function decoded(string $text): mixed
    {
        return json_decode($text, true, self::DEPTH, JSON_INVALID_UTF8_SUBSTITUTE | JSON_BIGINT_AS_STRING);
    }

    /** A comma behind the last of a list, as hands write it, means nothing. */
    private static function withoutLastCommas(string $text): string
    {
        return preg_replace('/("(?:\\\\.|[^"\\\\])*+")|,(?=\s*[}\]])/s', '$1', $text) ?? $text;
    }

    /** Whether an object that begins so holds items under names of its own, as a list or each under its key. */
    private static function wraps(string $beginning): bool
    {
        return preg_match('/^\{\s*"([^"\\\\]*)"\s*:\s*(\[?)\s*$/', $beginning, $key) === 1 &&
            ! in_array($key[1], $key[2] === '[' ? self::NAMES : self::DATES, true);
    }

    /** @param  array<mixed>  $item */
    private function reference(array $item, string $source, int $line): Reference|UnreadableRecord
    {
        $take = function (string ...$names) use (&$item): string {
            foreach ($names as $name) {
                $value = $item[$name] ?? null;
                unset($item[$name]);
                $value = is_array($value) && array_is_list($value) ? $value[0] ?? null : $value;
                if (is_scalar($value) && trim((string) $value) !== '') {
                    return trim((string) $value);
                }
            }

            return '';
        };
        $title = $take('title');
        $custom = is_array($item['custom'] ?? null) ? $item['custom'] : [];
        $issued = $this->issued($item) ?? ['raw' => $take('issued')];
        [$date, $year] = $this->date($issued);
        $people = function (string $role) use (&$item): array {
            $names = is_string($item[$role] ?? null) ? explode(';', $item[$role]) : $item[$role] ?? [];
            unset($item[$role]);
            $read = array_map(
                fn (mixed $name): Name => is_array($name)
                    ? $this->name($name)
                    : Name::inverted(is_scalar($name) ? (string) $name : ''),
                is_array($names) ? array_values($names) : [],
            );

            return array_values(array_filter($read, fn (Name $name): bool => $name->family !== ''));
        };
        $type = $take('type');
        $known = CslTypes::type($type);
        [$firstPage, $lastPage] = Pages::split($take('page', 'page-first'));
        $doi = $take('DOI');
        $urls = array_values(
            array_filter(
                [
                    $take('URL'),
                    ...is_array($custom['urls'] ?? null) ? array_filter($custom['urls'], is_string(...)) : [],
                ],
                fn (string $url): bool => $url !== '',
            ),
        );
        $said = fn (string $name): string => is_string($custom[$name] ?? null) ? $custom[$name] : '';
        $values = [
            'id' => $take('id'),
            'journal' => $take('container-title'),
            'journalShort' => $take('container-title-short', 'journalAbbreviation'),
            'volume' => $take('volume'),
            'issue' => $take('issue', 'collection-number', 'number'),
            'abstract' => $take('abstract'),
            'language' => $take('language'),
            'publisher' => $take('publisher'),
            'place' => $take('publisher-place'),
            'issn' => $take('ISSN'),
            'isbn' => $take('ISBN'),
            'series' => $take('collection-title'),
            'edition' => $take('edition'),
            'partTitle' => $take('volume-title'),
        ];
        $subjects = $item['subject'] ?? null;
        if (is_array($subjects)) {
            unset($item['subject']);
        }
        $keywords = is_array($subjects)
            ? array_values(array_filter($subjects, is_string(...)))
            : Keywords::split($take('keyword', 'keywords', 'subject'));
        $extra =
            $type === '' || $type === CslTypes::written($known) || CslTypes::isSaid($type, $custom['fields'] ?? [])
                ? []
                : [['type', $type]];
        $kept = [];
        foreach (is_array($custom['fields'] ?? null) ? $custom['fields'] : [] as $field) {
            if (is_array($field) && is_string($field[0] ?? null) && is_string($field[1] ?? null)) {
                $kept[] = [$field[0], $field[1]];
            }
        }
        $extra = [...$extra, ...$kept];
        // what was derived from fields that are here themselves says nothing more
        $item = array_diff_key($item, CslVariables::derived($kept));
        $ours = ['urls' => 1, 'date' => 1, 'accession' => 1, 'fields' => 1];
        $item['custom'] = array_diff_key($custom, $ours);
        unset($item['issued']);
        [$authors, $editors] = [$people('author'), $people('editor')];
        foreach ($item as $name => $value) {
            if ($value !== '' && $value !== [] && $value !== null) {
                $extra[] = [
                    (string) $name,
                    is_string($value)
                        ? $value
                        : json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
                ];
            }
        }

        return UnreadableRecord::unlessIdentified(
            new Reference(
                ...$values,
                type: $known,
                title: $title,
                authors: $authors,
                editors: $editors,
                year: $year,
                date: $said('date') !== '' ? $said('date') : $date,
                firstPage: $firstPage,
                lastPage: $lastPage,
                doi: Doi::normalised($doi) ?? $doi,
                urls: $urls,
                keywords: $keywords,
                accession: $said('accession'),
                extra: $extra,
                source: $source,
                line: $line,
            ),
            'Give the item a "title", or leave it out.',
        );
    }

    /**
     * When it came out, or else when it was printed or put online, as registers of identifiers say it.
     *
     * @param  array<mixed>  $item
     * @return ?array<mixed>
     */
    private function issued(array &$item): ?array
    {
        foreach (['issued', 'published', 'published-print', 'published-online'] as $name) {
            if (is_array($item[$name] ?? null)) {
                $issued = $item[$name];
                unset($item[$name]);

                return $issued;
            }
        }

        return null;
    }

    /**
     * @param  array<mixed>  $issued
     * @return array{string, ?int}
     */
    private function date(array $issued): array
    {
        $parts = [];
        $dates = is_array($issued['date-parts'] ?? null)
            ? $issued['date-parts']
            : [[$issued['year'] ?? null, $issued['month'] ?? null, $issued['day'] ?? null]];
        foreach (array_slice(is_scalar($dates[0] ?? null) ? [$dates] : $dates, 0, 2) as $part) {
            $parts[] = array_map(
                intval(...),
                array_slice(array_values(array_filter(is_array($part) ? $part : [], is_scalar(...))), 0, 3),
            );
        }
        $parts = array_values(array_filter(
            array_map(fn (array $part): array => array_values(array_filter($part)), $parts),
            // years of four digits, as everywhere
            fn (array $part): bool => $part !== [] && abs($part[0]) <= 9999,
        ));
        if ($parts !== []) {
            if (
                is_scalar($issued['season'] ?? null) &&
                count($parts[0]) === 1 &&
                (int) $issued['season'] >= 1 &&
                (int) $issued['season'] <= 4
            ) {
                $parts[0][] = 20 + (int) $issued['season'];
            }

            return [IssuedDate::written($parts, ($issued['circa'] ?? false) !== false), $parts[0][0]];
        }
        $text = is_scalar($issued['raw'] ?? null)
            ? (string) $issued['raw']
            : (is_scalar($issued['literal'] ?? null)
                ? (string) $issued['literal']
                : '');

        return [$text, IssuedDate::read($text)?->year() ?? Year::of($text)];
    }

    /** @param  array<mixed>  $name */
    private function name(array $name): Name
    {
        $part = fn (string $key): string => is_scalar($name[$key] ?? null) ? trim((string) $name[$key]) : '';
        if ($part('family') === '') {
            return new Name(
                implode(
                    '',
                    array_slice(
                        array_filter(
                            [$part('literal'), $part('name'), $part('given')],
                            fn (string $one): bool => $one !== '',
                        ),
                        0,
                        1,
                    ),
                ),
            );
        }
        $family = implode(
            ' ',
            array_filter(
                [$part('dropping-particle'), $part('non-dropping-particle'), $part('family')],
                fn (string $one): bool => $one !== '',
            ),
        );

        return new Name($family, $part('given'), $part('suffix'));
    }
}
