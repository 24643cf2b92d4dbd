<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\Cited\CitedList;
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

    private const DASHES = '/^(?:[–—]|-{2,3}|_{2,})+[.,:]?\s*/u';

    /** So many of the first references are asked for the style of their names. */
    private const ASKED = 60;

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
        $form = self::form($works);
        $before = null;
        foreach ($works as $line => $one) {
            $reference = self::reference($one, $line, $form);
            $isBySame = $reference instanceof Reference && preg_match(CitedList::SAME, $one) === 1 && $before !== null;
            yield $isBySame ? $reference->with($before) : $reference;
            if ($reference instanceof Reference && ! $isBySame) {
                $before = ['authors' => $reference->authors, 'editors' => $reference->editors];
            }
        }
    }

    /**
     * How most of the references write their names; a list has one style.
     *
     * @param  array<int, string>  $works
     */
    private static function form(array $works): string
    {
        $forms = [];
        foreach (array_slice($works, 0, self::ASKED) as $one) {
            $forms[] = CitedWork::listed($one)?->by->form ?? '';
        }
        $counts = array_count_values(array_filter($forms, fn (string $one): bool => $one !== ''));
        arsort($counts);

        return 2 * (reset($counts) ?: 0) > count($forms) ? (string) array_key_first($counts) : '';
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
        return CitedWork::read($text)?->isTold() === true || CitedWork::isLikely($text);
    }

    private static function reference(string $text, int $line, string $form): Reference|UnreadableRecord
    {
        $work = CitedWork::listed((string) preg_replace(self::DASHES, '', $text), $form);
        if ($work?->told === null) {
            return UnreadableRecord::broken(
                $line,
                'Where the title begins and ends cannot be told here. '
                    .'Write it as “Authors. Title. Journal. Year;volume:pages.”',
                $text,
            );
        }

        return self::made($work, $work->told, $text, $line);
    }

    private static function made(CitedWork $work, CitedTitle $told, string $text, int $line): Reference
    {
        $areEditors = $work->by?->areEditors === true;
        $names = $work->by->names ?? [];
        $place = $told->place ?? CitedPlace::unknown();
        $pages = Pages::of($place->pages);
        $isKept = $told->place === null && $told->rest !== '';

        return new Reference(
            type: $told->type,
            title: $work->title,
            authors: $areEditors ? [] : $names,
            editors: $areEditors ? $names : $place->editors,
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
