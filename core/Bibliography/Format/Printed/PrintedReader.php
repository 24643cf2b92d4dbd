<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\CitedWork;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

/**
 * Reads a list of references as papers print them: one a line, or over several where each begins with its number. Only
 * what is told by a known style is taken in; of the rest a person says what it is.
 */
final class PrintedReader implements RecognisesItself, ReferenceReader
{
    private const HEADING = '/^\W*(?:references?|bibliography|literature(?: cited)?|works cited|literatur(?:verzeichnis)?|bibliographie|referencias|bibliografía|bibliografia|références)\W*$/iu';

    private const EDITORS = '/,? \(?\b(?:editors?|[Ee]ds?)\b\.?\)?\.?$/u';

    /** Of the references at the beginning of a file, so many in a hundred have to be told. */
    private const TOLD = 60;

    /** What is longer is prose. */
    private const LONGEST = 1500;

    public function recognises(string $beginning): bool
    {
        // the last one may be cut off
        $whole = strlen($beginning) > 4000 ? (string) preg_replace('/\R[^\r\n]*$/u', '', $beginning) : $beginning;
        $works = self::works($whole);
        $told = array_filter($works, fn (string $one): bool => mb_strlen($one) <= self::LONGEST && self::isTold($one));

        return $works !== [] && 100 * count($told) >= self::TOLD * count($works);
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $text = '';
        foreach (Lines::of($stream, $reading) as $line) {
            $text .= "{$line}\n";
            if (strlen($text) > self::LARGEST_RECORD) {
                throw UnusableFile::tooLong();
            }
        }
        $works = self::works($text);
        if ($works === []) {
            throw UnusableFile::unknownFormat();
        }
        foreach ($works as $line => $one) {
            yield self::reference($one, $line);
        }
    }

    /** @return array<int, string> by the line each begins on; without a heading above them */
    private static function works(string $text): array
    {
        return array_filter(
            CitedWork::apart($text),
            fn (string $one): bool => preg_match(self::HEADING, $one) !== 1,
        );
    }

    private static function isTold(string $text): bool
    {
        return CitedWork::read($text)?->isTold() === true;
    }

    private static function reference(string $text, int $line): Reference|UnreadableRecord
    {
        $work = mb_strlen($text) > self::LONGEST ? null : CitedWork::read($text);
        if ($work === null || ! $work->isTold()) {
            return UnreadableRecord::broken(
                $line,
                'Where the title begins and ends cannot be told here. Write it as “Authors. Title. Journal. Year;volume:pages.”',
                $text,
            );
        }

        return self::made($work, $text, $line);
    }

    private static function made(CitedWork $work, string $text, int $line): Reference
    {
        [$title, $after] = self::whole($work);
        $place = CitedPlace::of($after);
        [$first, $last] = Pages::split($place->pages);
        $areEditors = preg_match(self::EDITORS, $work->by) === 1;
        $names = CitedNames::of((string) preg_replace(self::EDITORS, '', $work->by));

        return new Reference(
            type: $place->type,
            title: $title,
            authors: $areEditors ? [] : $names,
            editors: $areEditors ? $names : CitedNames::of($place->editors),
            year: $work->year,
            date: (string) $work->year,
            journal: $place->journal,
            volume: $place->volume,
            issue: $place->issue,
            firstPage: $first,
            lastPage: $last,
            doi: $work->doi,
            publisher: $place->publisher,
            place: $place->place,
            extra: $place->rest === '' ? [] : [new SourceField('appeared', $place->rest)],
            source: $text,
            line: $line,
        );
    }

    /**
     * “Do visors help? A trial. Ward Stud. 2011;12:5” goes on after what it asks.
     *
     * @return array{string, string} the title, and what stands behind it
     */
    private static function whole(CitedWork $work): array
    {
        $asks = preg_match('/[?!]$/', $work->title) === 1;

        return $asks && preg_match('/^(\p{Lu}[^.]{2,120})\. (\S.*)$/us', $work->after, $more) === 1 &&
            CitedPlace::of($more[2])->journal !== ''
            ? ["{$work->title} {$more[1]}", $more[2]]
            : [$work->title, $work->after];
    }
}
