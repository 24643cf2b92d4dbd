<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

use WaryHeron\Core\Text\Words;

/** What a sentence sets against what: “allocated to a coaching programme or to written advice”. */
final readonly class Contrast
{
    private const GIVEN = '(?:randomi[sz]ed?|allocated?|assigned|allotted)';

    private const ONE = '(?<one>(?!(?:with|to|by|and|or|the (?:order|sequence))\b)[^.;:]{3,140}?)';

    /** Up to where, when, how long and what for. */
    private const OTHER = '(?<other>[^.;:]{3,140}?)(?=[.;:]|,? (?:for|after|during|while|who|which|that|until|would|'.
        'will|improved?s?|on (?:sleep|falls|the)|and (?:were|was|then|to))\b|,|$)';

    private const AGAINST = '(?:rather than|compared (?:with|to)|as opposed to|as against|in comparison (?:with|to)|'.
        'versus|vs\.?|against)';

    private const PATTERNS = [
        '\b'.self::GIVEN.'\b[^.;:]{0,70}?\bto (?:receive |either |have |wear |use |get )*'.
        self::ONE.',? (?:or(?: to)?|and(?: \S+){0,4}? to) '.self::OTHER,
        '\b(?:receiv\w+|given|took|wore|had|used|tried) either '.self::ONE.',? or '.self::OTHER,
        '\b(?:compar(?:e[ds]?|ing)|comparison of) (?<one>(?!(?:with|to|by|and|or)\b)[^.,;:]{3,90}?) '.
        '(?:with|to|against) '.self::OTHER,
        '\bcomparison between '.self::ONE.' and '.self::OTHER,
        '\b(?:whether|to (?:test|examine|study|assess)|effects? of|effectiveness of|efficacy of|evaluat\w+|test\w* (?:if|that)) '.
        self::ONE.',? '.self::AGAINST.' '.self::OTHER,
        '\bhalf (?:of (?:them|the \p{L}+) )?(?:took|received|had|got|wore|used|attended) '.self::ONE
            .'(?:,|,? and) the other half '.self::OTHER,
    ];

    /** Groups, tests and figures are compared in every paper, and what has a verb is a sentence. */
    private const NO_ARM = '/\b(?:groups?|arms?|scores?|means?|data|values?|tests?|results?|differences?|proportions?|'.
        'rates?|outcomes?|variables?|characteristics|baseline|models?|participants|patients|those|sequences?|orders?|figures?|'.
        'answers?|periods?|was|were|did|not)\b/iu';

    private const CONTROL = '/\b(?:usual|placebo|sham|controls?|waiting|no|nothing|standard|unchanged|ordinary)\b/iu';

    /** Words that any arm may be called by. */
    private const UNNAMED = [
        'intervention', 'treatment', 'experimental', 'one', 'two', 'three', 'of', 'the', 'a', 'an', 'to', 'either',
    ];

    private const LONGEST = 22;

    private function __construct(public string $tested, public string $compared)
    {
    }

    /** @return ?self null where the sentence sets nothing against something else */
    public static function in(string $sentence): ?self
    {
        $text = (string) preg_replace('/\s*\([^()]*\b[nN]\s*=[^()]*\)/u', '', $sentence);
        foreach (self::PATTERNS as $pattern) {
            if (preg_match("/{$pattern}/iu", $text, $found) === 1) {
                return self::of($found['one'], $found['other']);
            }
        }

        return null;
    }

    /** @return ?self of a title: “Nurse-led versus surgeon-led follow-up: a trial” */
    public static function inTitle(string $title): ?self
    {
        $pattern = '/^'.self::ONE.',? '.self::AGAINST.' (?<other>[^.;:]{3,140})/iu';

        return preg_match($pattern, $title, $found) === 1 ? self::of($found['one'], $found['other']) : null;
    }

    private static function of(string $one, string $other): ?self
    {
        [$one, $other] = [self::short($one), self::short($other)];
        if (! self::isArm($one) || ! self::isArm($other)) {
            return null;
        }
        $isTurned = preg_match(self::CONTROL, $one) === 1 && preg_match(self::CONTROL, $other) !== 1;

        return $isTurned ? new self($other, $one) : new self($one, $other);
    }

    private static function isArm(string $text): bool
    {
        $named = array_diff(Words::of($text), self::UNNAMED);

        return $named !== [] && preg_match(self::NO_ARM, $text) !== 1;
    }

    private static function short(string $text): string
    {
        $words = preg_split('/\s+/u', trim($text, ' ,')) ?: [];

        return implode(' ', array_slice($words, 0, self::LONGEST));
    }
}
