<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

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
        foreach ($this->objects($stream, $reading) as $line => $object) {
            $text = $object->text;
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
                    $object->hasEnded
                        ? 'This item is not valid JSON: '.lcfirst(json_last_error_msg()).'.'
                        : 'The file ends within this item.',
                    $text,
                );

                continue;
            }
            yield (new CslJsonItem($item, $text, $line))->reference();
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
    }

    /**
     * The outermost objects that are items, told apart by counting brackets outside strings.
     *
     * @param  resource  $stream
     * @return \Generator<int, CslObject> by the line each starts in
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
                yield 1 => new CslObject('', true);
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
                    yield $start => new CslObject($text.substr($line, $from, $at - $from + 1), true);
                    $text = null;
                }
            }
            if ($text !== null && strlen($text) <= self::LARGEST_RECORD) {
                $text .= substr($line, $from);
            }
        }
        if ($text !== null) {
            yield $start => new CslObject($text, false);
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
}
