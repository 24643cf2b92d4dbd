<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\PublicationType;

/** A journal with its numbers: “J Night Sleep. 2004;3(2):12-9”. */
final class CitedJournal
{
    /** Letters of the longest name. */
    private const LONGEST = 120;

    /** Where numbers could begin, looked at from the first. */
    private const TRIES = 8;

    /** Sentences that end, questions, years: a name has none, but abbreviated words, one or two at a time. */
    private const NO_NAME = '/(?<![\p{L}’-])\p{Ll}[\p{L}’-]*[.?!]\s|(?:[\p{L}’-]+\s){2}[\p{L}’-]+\.\s|[?!;]|\bPatent\b'
        .'|'.CitedNumbers::YEAR.'/u';

    private const BEGINNING = '/^(?:\p{Lu}|\p{N}+\s\p{Lu}|\p{Ll}{1,5}\p{Lu}|npj\b)/u';

    public static function read(string $text): ?CitedPlace
    {
        $begins = '/(?<=[\s.,;(])(?=\(?\d|'.CitedNumbers::BEGINS.')/u';
        preg_match_all($begins, $text, $found, PREG_OFFSET_CAPTURE);
        foreach (array_slice($found[0], 0, self::TRIES) as [, $at]) {
            $before = rtrim(substr($text, 0, $at));
            $journal = trim((string) preg_replace('/\s'.CitedNumbers::MONTH.'$/u', '', trim($before, " \t.,;")));
            $numbers = CitedNumbers::read(substr($text, $at));
            if ($numbers !== null && self::isName($journal) && self::isOf($numbers, $before)) {
                return new CitedPlace(
                    PublicationType::Article,
                    $journal,
                    $numbers->volume,
                    $numbers->issue,
                    $numbers->pages,
                    $numbers->year,
                );
            }
        }

        return null;
    }

    private static function isName(string $text): bool
    {
        return mb_strlen($text) <= self::LONGEST &&
            preg_match(self::BEGINNING, $text) === 1 &&
            preg_match('/^'.CitedNumbers::MONTH.'$/u', $text) !== 1 &&
            preg_match(self::NO_NAME, $text) !== 1;
    }

    /** Before a year alone all words of a journal begin large; what a comma or a colon parts is a publisher. */
    private static function isOf(CitedNumbers $numbers, string $before): bool
    {
        return $numbers->volume !== '' ||
            ($numbers->pages !== '' && ! str_contains($before, ': ')) ||
            (preg_match('/^'.CitedBook::NAME.',?$/u', $before) === 1 &&
                ($numbers->haveDay || preg_match('/:|[,;]$/', $before) !== 1));
    }
}
