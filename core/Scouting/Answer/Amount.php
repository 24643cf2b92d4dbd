<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/**
 * By how much, in the authors' own words: the part of a sentence that tells an effect, as it stands there. Nothing is
 * worked out; a sentence without figures tells nothing.
 */
final class Amount
{
    private const FIGURE = '[−–-]?\d+(?:[.,·]\d+)*';

    private const UNIT = '\s?(?:%|(?:per cent|percent|percentage points|points?|minutes?|min|hours?|h|days?|weeks?|months?|'.
        'years?|lapses|ml|mg|kg|mm|cm)\b)';

    /** "(95% CI 0.3 to 0.9)", "; 95% confidence interval, 3 to 7": what may follow an effect. */
    private const INTERVAL = '(?:(?:[^.;\d(]{0,60}(?=\(9[059]))?[\s,;]*[(\[]?\s?9[059]\s?(?:%|per cent)\s?(?:CI|confidence interval|credible interval)'.
        '[\s,:=]*(?:from |of )?'.self::FIGURE.'\s?%?\s?(?:to|–|—|-|,|and)\s?'.self::FIGURE.'\s?%?)?';

    private const COMPARED = '(?:fewer|less|more|lower|higher|shorter|longer|better|worse|smaller|larger|rarer|reduction|'.
        'increase|decrease|rise|fall|decline|drop)';

    /** The part of the sentence, '' where it tells none; an effect before two figures that are set side by side. */
    public static function told(string $sentence): string
    {
        foreach (self::ways() as $way) {
            if (preg_match($way, $sentence, $found) === 1) {
                return self::closed(trim($found[0], " ,;\t"));
            }
        }

        return '';
    }

    /** @return list<string> */
    private static function ways(): array
    {
        $figure = self::FIGURE;
        $unit = self::UNIT;
        $interval = self::INTERVAL;
        $limits = "\s?[(\[]{$figure}\s?(?:to|–|-|,)\s?{$figure}[)\]]";
        $effect = '(?:adjusted |pooled |crude |common )?(?:odds|risk|rate|hazard|incidence rate|prevalence|mean) ratio|'.
            'relative risk|[aA]?(?:OR|RR|HR)|IRR|SMD|(?:standardi[sz]ed )?mean difference|risk difference|difference';

        return [
            "/\b(?:{$effect})(?: (?:was|of|in [\p{L} ]{1,40} (?:was|of)))?\s?[=:,]?\s?{$figure}(?:{$unit})?(?:{$limits}|{$interval})/u",
            "/\b(?:by )?(?:a )?{$figure}(?:{$unit})? ".self::COMPARED."\b{$interval}/u",
            "/\b".self::COMPARED."\b (?:[\p{L}]+ )?by {$figure}(?:{$unit})?{$interval}/u",
            "/\bfrom {$figure}(?:{$unit})?[^.;]{0,40}? to {$figure}(?:{$unit})?/u",
            "/{$figure}(?:{$unit})? (?:v|vs|versus|against|compared with) {$figure}(?:{$unit})?/u",
            "/{$figure}{$unit} [^.;\d]{2,60}\band [^.;\d]{0,40}{$figure}{$unit}/u",
            "/\bby {$figure}{$unit}{$interval}/u",
        ];
    }

    /** A bracket that was opened is closed, and one that was not opened is not. */
    private static function closed(string $part): string
    {
        return match (true) {
            substr_count($part, '(') > substr_count($part, ')') => $part.')',
            substr_count($part, '[') > substr_count($part, ']') => $part.']',
            default => $part,
        };
    }
}
