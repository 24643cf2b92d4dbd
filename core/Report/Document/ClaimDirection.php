<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/**
 * Which way a claim says that something goes, set against what it rests on: "fewer errors" where every quote that speaks
 * of errors says more of them, or no difference. It hears only what is said of the same thing by name, so that another
 * outcome that goes the other way is no contradiction; where quotes speak both ways, nothing is said.
 */
final class ClaimDirection
{
    private const SIGNS = [
        'more' => ['more', 'higher', 'greater', 'increase', 'increased', 'increases', 'rose', 'rise', 'rises', 'raised', 'raises',
            'longer', 'larger', 'grew'],
        'less' => ['less', 'fewer', 'lower', 'lowered', 'lowers', 'reduce', 'reduced', 'reduces', 'reduction', 'decrease',
            'decreased', 'decreases', 'fell', 'falls', 'shorter', 'smaller', 'dropped', 'declined', 'halved'],
    ];

    private const NOTHING = '/\b(?:no (?:difference|effect|change|evidence|association)|(?:did|does|do) not (?:\p{L}+ )?'.
        '(?:differ|change|vary|affect|reduce|increase|alter|lower|raise)|(?:was|were) not (?:\p{L}+ )?'.
        '(?:different|changed|affected|associated)|unchanged|unaffected)\b/iu';

    /** Denied, a sign says nothing of its own: "not lower". */
    private const DENIED = '/\b(?:not|no|nor|never|neither|hardly|without)\b/iu';

    /** What follows one of these says where and of whom, not of what. */
    private const PLACES = [
        'in',
        'with',
        'among',
        'of',
        'during',
        'after',
        'before',
        'at',
        'on',
        'by',
        'for',
        'from',
        'between',
        'under',
        'to',
    ];

    private const ENDS = ['was', 'were', 'is', 'are', 'did', 'does', 'do', 'had', 'has', 'have'];

    private const SHORTEST = 4;

    /** What stands beside signs and names no outcome. */
    private const FILLING = ['than', 'with', 'were', 'that', 'this', 'from', 'after', 'among', 'group', 'groups', 'control', 'compared', 'points',
        'point', 'score', 'scores', 'rate', 'rates', 'risk', 'number', 'times', 'those', 'these', 'their', 'people', 'night', 'nights', 'shift',
        'shifts', 'staff', 'nurses', 'workers', 'patients', 'when', 'while', 'during', 'which', 'also', 'have', 'been', 'papers', 'paper', 'study',
        'studies', 'report', 'reports', 'light', 'bright'];

    /**
     * @param  list<string>  $quotes  words of papers that the claim rests on
     * @return string in words, what it says and what they say; empty where nothing contradicts
     */
    public static function contradicted(string $claim, array $quotes): string
    {
        $said = self::said($claim);
        foreach ($said as $stem => $ways) {
            $held = [];
            foreach ($quotes as $quote) {
                $held += self::said($quote)[$stem] ?? [];
            }
            if ($held !== [] && array_intersect_key($held, $ways) === [] && count($held) === 1 && count($ways) === 1) {
                return 'says “'.array_values($ways)[0].'”, and what it rests on says “'.array_values($held)[0].'”';
            }
        }

        return '';
    }

    /** @return array<string, array<string, string>> by the stem of what is spoken of, then the way: the words that say it */
    private static function said(string $text): array
    {
        $said = [];
        foreach (preg_split('/(?<=[.;:!?])\s+|,\s+(?:and|but|while|whereas)\s+/u', $text) ?: [] as $clause) {
            $isNothing = preg_match(self::NOTHING, $clause, $found) === 1;
            if (! $isNothing && preg_match(self::DENIED, $clause) === 1) {
                continue;
            }
            $words = Words::of($clause);
            foreach ($words as $at => $word) {
                $way = $isNothing ? 'none' : self::way($word);
                foreach ($way === '' ? [] : self::of($words, $isNothing ? count($words) : $at) as $of) {
                    $said[Stem::of($of)][$way] ??= ($isNothing ? $found[0] : $word).": {$of}";
                }
            }
        }

        return $said;
    }

    private static function way(string $word): string
    {
        foreach (self::SIGNS as $way => $signs) {
            if (in_array($word, $signs, true)) {
                return $way;
            }
        }

        return '';
    }

    /**
     * What a sign at a place is said of: the word after it ("fewer errors"), else what stands before it ("errors were
     * fewer") and is no place.
     *
     * @param  list<string>  $words
     * @return list<string>
     */
    private static function of(array $words, int $at): array
    {
        $next = $words[$at + 1] ?? '';
        if ($next !== '' && self::names($next)) {
            return [$next];
        }
        $of = [];
        $isPlace = false;
        foreach (array_slice($words, 0, $at) as $word) {
            $isPlace = in_array($word, self::PLACES, true) || ($isPlace && ! in_array($word, self::ENDS, true));
            if (! $isPlace && self::names($word)) {
                $of[] = $word;
            }
        }

        // "no difference in errors"
        return $of === [] && $at === count($words) ? array_values(array_filter($words, self::names(...))) : $of;
    }

    private static function names(string $word): bool
    {
        return mb_strlen($word) >= self::SHORTEST &&
            self::way($word) === '' &&
            ! in_array($word, self::FILLING, true) &&
            preg_match('/^\d/', $word) !== 1;
    }
}
