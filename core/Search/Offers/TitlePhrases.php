<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

use WaryHeron\Core\Text\Words;

/** The phrases of a text: runs of words between signs and words that only join. */
final class TitlePhrases
{
    private const LONGEST = 4;

    /** Words that join, and words that any report uses whatever it is about. */
    private const COMMON = [
        'a',
        'about',
        'across',
        'after',
        'all',
        'among',
        'an',
        'and',
        'any',
        'are',
        'as',
        'at',
        'be',
        'been',
        'before',
        'between',
        'both',
        'but',
        'by',
        'can',
        'did',
        'do',
        'does',
        'during',
        'each',
        'for',
        'from',
        'had',
        'has',
        'have',
        'how',
        'if',
        'in',
        'into',
        'is',
        'it',
        'its',
        'less',
        'may',
        'more',
        'most',
        'no',
        'nor',
        'not',
        'of',
        'on',
        'one',
        'or',
        'our',
        'out',
        'over',
        'per',
        'should',
        'so',
        'some',
        'than',
        'that',
        'the',
        'their',
        'them',
        'then',
        'there',
        'these',
        'they',
        'this',
        'those',
        'through',
        'to',
        'two',
        'under',
        'until',
        'up',
        'upon',
        'use',
        'used',
        'using',
        'versus',
        'vs',
        'was',
        'we',
        'were',
        'what',
        'when',
        'where',
        'whether',
        'which',
        'while',
        'who',
        'whose',
        'with',
        'within',
        'without',
        'working',
        'you',
        'your',
        'aim',
        'analysis',
        'approach',
        'assessment',
        'association',
        'associations',
        'background',
        'baseline',
        'cluster',
        'cohort',
        'comparative',
        'comparison',
        'conclusion',
        'conclusions',
        'control',
        'controlled',
        'cross',
        'crossover',
        'data',
        'design',
        'difference',
        'differences',
        'double',
        'effect',
        'effectiveness',
        'effects',
        'efficacy',
        'evaluation',
        'evidence',
        'experience',
        'experimental',
        'exploratory',
        'factors',
        'feasibility',
        'field',
        'first',
        'follow',
        'group',
        'groups',
        'impact',
        'influence',
        'intervention',
        'interventions',
        'investigation',
        'longitudinal',
        'measured',
        'meta',
        'method',
        'methods',
        'mixed',
        'model',
        'multicentre',
        'new',
        'observational',
        'outcome',
        'outcomes',
        'paper',
        'participants',
        'pilot',
        'pragmatic',
        'preliminary',
        'prospective',
        'protocol',
        'qualitative',
        'quality',
        'quasi',
        'questionnaire',
        'random',
        'randomised',
        'randomized',
        'rate',
        'rates',
        'relationship',
        'report',
        'research',
        'results',
        'retrospective',
        'review',
        'role',
        'sample',
        'sectional',
        'secondary',
        'single',
        'study',
        'studies',
        'survey',
        'systematic',
        'term',
        'test',
        'trial',
        'trials',
        'update',
        'year',
        'years',
        'week',
        'weeks',
        'month',
        'months',
        'accounts',
        'barriers',
        'based',
        'blind',
        'correlates',
        'facilitators',
        'findings',
        'focus',
        'interview',
        'interviews',
        'label',
        'narrative',
        'open',
        'perceptions',
        'perspectives',
        'placebo',
        'predictors',
        'prevalence',
        'register',
        'relation',
        'scoping',
        'uncontrolled',
        'views',
        'just',
        'keep',
        'going',
        'like',
        'cannot',
        'better',
        'lower',
        'higher',
        'reduce',
        'reduced',
        'reduces',
        'improve',
        'improved',
        'improves',
        'improving',
        'reducing',
        'different',
        'large',
        'small',
        'short',
        'long',
    ];

    public static function isCommon(string $word): bool
    {
        /** @var array<string, true>|null $common */
        static $common = null;
        $common ??= array_fill_keys(self::COMMON, true);

        return isset($common[$word]) || mb_strlen($word) < 2 || is_numeric($word);
    }

    /** @return list<string> of folded words, in order: the longest runs without a common word */
    public static function of(string $title): array
    {
        $phrases = [];
        $names = self::properNames($title);
        foreach (preg_split('/[.,:;?!()\[\]"“”]+|\s[–—-]\s/u', $title) ?: [] as $part) {
            $run = [];
            foreach ([...Words::of($part), ''] as $word) {
                if ($word !== '' && ! self::isCommon($word) && ! isset($names[$word])) {
                    $run[] = $word;
                } elseif ($run !== []) {
                    $phrases[] = implode(' ', $run);
                    $run = [];
                }
            }
        }

        return array_values(array_unique($phrases));
    }

    /**
     * @return array<string, true> folded words with a capital within a title that is in small letters: places and
     *     cohorts, not things
     */
    private static function properNames(string $title): array
    {
        preg_match_all('/(?<![.:?!“"‘(]\s)(?<=\s)\p{Lu}[\p{Ll}’\']+/u', $title, $capital);
        preg_match_all('/(?<=\s)\p{Ll}{4,}/u', $title, $small);

        return count($small[0]) < count($capital[0]) ? [] : array_fill_keys(Words::of(implode(' ', $capital[0])), true);
    }

    /** @return list<string> every run of up to four words that may be a name, each once */
    public static function names(string $text): array
    {
        $names = [];
        foreach (preg_split('/[.,:;?!()\[\]"“”]+/u', $text) ?: [] as $part) {
            $words = Words::of($part);
            foreach ($words as $from => $word) {
                for ($length = 1; $length <= self::LONGEST && isset($words[$from + $length - 1]); $length++) {
                    $isName = ! self::isCommon($word) && ! self::isCommon($words[$from + $length - 1]);
                    $isName && ($names[implode(' ', array_slice($words, $from, $length))] = true);
                }
            }
        }

        return array_map(strval(...), array_keys($names));
    }
}
