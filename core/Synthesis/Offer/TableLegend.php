<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;

/** What is written over and under a table of how its cells are to be read. */
final readonly class TableLegend
{
    /** So many sentences over a table, and under it, may be of it. */
    private const OVER = 4;

    private const UNDER = 3;

    /** How numbers are given. */
    public const FORMAT = '/\b(?:means?|medians?|SDs?|s\.d\.|SEs?|SEM|standard (?:deviations?|errors?)|'.
        '(?:inter)?quartiles?|IQR|ranges?|CI|confidence)\b/iu';

    /** Sentences that are of a table, and tell nothing that was found. */
    private const OF_TABLE = '/^(?:Table|Tab\.|Values?|Figures|Numbers?|Data|Adjusted means?|Means?|Medians?|Counts?|Changes?)\b|'.
        '^(?:[*†‡§¶]|[a-eᵃ-ᵉ](?:[:.)]|(?=\s+\p{Lu})))|'.
        '\b(?:values|figures|numbers|data|cells|entries) (?:are|show|give)\b|'.
        '\b(?:unless (?:otherwise )?(?:stated|noted|indicated)|in (?:parentheses|brackets)|(?:expressed|given|presented|reported) as)\b|'.
        '^[^.:]{3,60}[:;] (?:means?|medians?)\b[^=]*$/iu';

    /** Where the next table begins. */
    private const NUMBERED = '/^(?:Table|Tab\.)\s*[\dA-Z]/iu';

    /** Clauses about certain rows. */
    private const OF_SOME = '/^(?:for|except)\b|^[*†‡§¶]|^[a-e][:.)]|^(?!Tab)[^:]{3,60}: /iu';

    private const BASELINE = '/\b(?:baseline (?:characteristics|data|values)|characteristics of|'.
        'at (?:baseline|entry|the start|enrolment))\b/iu';

    private const LATER = '/\b(?:week|month|day|year|follow|after|end|change)s?\b/iu';

    /** @param  list<string>  $sentences */
    private function __construct(private array $sentences)
    {
    }

    /**
     * @param  list<Passage>  $all  of the paper
     * @param  int  $from  of the table's first row
     * @param  int  $to  of its last
     */
    public static function of(array $all, int $from, int $to): self
    {
        $sentences = [];
        $isTitle = false;
        foreach ([...self::over($all, $from), ...self::under($all, $to)] as $text) {
            // “Table 1.” is followed by its title
            if ($isTitle || preg_match(self::OF_TABLE, $text) === 1) {
                $sentences[] = $text;
            }
            $isTitle = preg_match('/^(?:Table|Tab\.)\s*[\dA-Z]{1,4}[.:]?$/iu', $text) === 1;
        }

        return new self($sentences);
    }

    /**
     * @param  list<Passage>  $all
     * @return list<string> from its number on, or since the table before it
     */
    private static function over(array $all, int $from): array
    {
        $over = [];
        for ($i = $from - 1; $i >= max(0, $from - self::OVER) && ! $all[$i]->isRow(); $i--) {
            array_unshift($over, $all[$i]->text);
            if (preg_match(self::NUMBERED, $all[$i]->text) === 1) {
                break;
            }
        }

        return $over;
    }

    /**
     * @param  list<Passage>  $all
     * @return list<string> up to the next table
     */
    private static function under(array $all, int $to): array
    {
        $under = [];
        foreach (array_slice($all, $to + 1, self::UNDER) as $one) {
            if ($one->isRow() || preg_match(self::NUMBERED, $one->text) === 1) {
                break;
            }
            $under[] = $one->text;
        }

        return $under;
    }

    /** Whether the table tells what people were like at the start, and nothing of later. */
    public function isOfStart(): bool
    {
        $all = implode(' ', $this->sentences);

        return preg_match(self::BASELINE, $all) === 1 && preg_match(self::LATER, $all) !== 1;
    }

    public function isOfChange(): bool
    {
        return preg_match('/\bchanges? (?:from|since|in)\b/iu', implode(' ', $this->sentences)) === 1;
    }

    /** How the numbers of a row are given: by the note that its mark names, by what names it, or by what is said of all. */
    public function format(string $label): string
    {
        $clauses = $this->clauses();
        $hasMark = preg_match('/(?<=\S)\s?([*†‡§¶]|(?<=[\p{Ll})])[a-e])$/u', $label, $found) === 1;
        $ofMark = $hasMark ? '/^'.preg_quote($found[1], '/').'(?!\p{Ll})/u' : '/(?!)/';
        $that = fn (\Closure $is): array => array_filter($clauses, $is);
        $told = $that(fn (string $one): bool => preg_match($ofMark, $one) === 1)
            ?: $that(fn (string $one): bool => array_intersect(Stems::of($label), Stems::of($one)) !== [])
            ?: $that(fn (string $one): bool => preg_match(self::OF_SOME, $one) !== 1);

        return implode('; ', $told);
    }

    /** @return list<string> that say how numbers are given */
    private function clauses(): array
    {
        $clauses = [];
        foreach ($this->sentences as $sentence) {
            // what stands in brackets is a clause of its own where it is about certain rows
            $parts = preg_split('/;\s+|\s*\((?=for\b)|,\s+(?=except\b)|(?<=\.)\s*(?=[*†‡§¶])/iu', $sentence) ?: [];
            array_push($clauses, ...array_map(trim(...), $parts));
        }

        return array_values(array_filter($clauses, fn (string $one): bool => preg_match(self::FORMAT, $one) === 1));
    }
}
