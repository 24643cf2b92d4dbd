<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\Cited\CitedList;
use WaryHeron\Core\Bibliography\Cited\CitedNames;
use WaryHeron\Core\Bibliography\Cited\CitedPlace;
use WaryHeron\Core\Bibliography\Cited\CitedTitle;
use WaryHeron\Core\Bibliography\Cited\CitedWork;
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

    /** Of the references at the beginning of a file, so many in a hundred have to be told. */
    private const TOLD = 60;

    public function recognises(string $beginning): bool
    {
        // the last one may be cut off
        $whole = strlen($beginning) > 4000 ? (string) preg_replace('/\R[^\r\n]*$/u', '', $beginning) : $beginning;
        $works = self::works($whole);
        $told = array_filter($works, self::isTold(...));

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
            CitedList::apart($text),
            fn (string $one): bool => preg_match(self::HEADING, $one) !== 1,
        );
    }

    private static function isTold(string $text): bool
    {
        return CitedWork::read($text)?->isTold() === true;
    }

    private static function reference(string $text, int $line): Reference|UnreadableRecord
    {
        $work = CitedWork::read($text);
        if ($work?->told === null || $work->by === null) {
            return UnreadableRecord::broken(
                $line,
                'Where the title begins and ends cannot be told here. '
                    .'Write it as “Authors. Title. Journal. Year;volume:pages.”',
                $text,
            );
        }

        return self::made($work, $work->by, $work->told, $text, $line);
    }

    private static function made(CitedWork $work, CitedNames $by, CitedTitle $told, string $text, int $line): Reference
    {
        $place = $told->place ?? CitedPlace::unknown();
        $pages = Pages::of($place->pages);
        $isKept = $told->place === null && $told->rest !== '';

        return new Reference(
            type: $told->type,
            title: $work->title,
            authors: $by->areEditors ? [] : $by->names,
            editors: $by->areEditors ? $by->names : $place->editors,
            year: $work->year,
            date: (string) $work->year,
            journal: $place->journal,
            volume: $place->volume,
            issue: $place->issue,
            firstPage: $pages->first,
            lastPage: $pages->last,
            doi: $work->doi,
            publisher: $place->publisher,
            place: $place->place,
            language: $told->language,
            edition: $told->edition,
            extra: $isKept ? [new SourceField('appeared', $told->rest)] : [],
            source: $text,
            line: $line,
        );
    }
}
