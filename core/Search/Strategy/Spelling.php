<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** Other spellings of an English word that a search should not miss. */
final class Spelling
{
    private const WITH_S = ['ise', 'ised', 'ising', 'enrol', 'practise'];

    /** Words that are written with an s on both sides. */
    private const ALWAYS_S = '/(?:exerc|adv|superv|ra|prom|w|no|rev|prec|surpr|disgu|comprom)is/';

    /** British and American letters that stand for each other, each tried both ways. */
    private const PAIRS = [
        ['isation', 'ization'],
        ['ising', 'izing'],
        ['ised', 'ized'],
        ['ise', 'ize'],
        ['yse', 'yze'],
        ['ysing', 'yzing'],
        ['our', 'or'],
        ['aemia', 'emia'],
        ['haem', 'hem'],
        ['paed', 'ped'],
        ['oestr', 'estr'],
        ['oedema', 'edema'],
        ['anaesth', 'anesth'],
        ['orthopaed', 'orthoped'],
        ['gynaec', 'gynec'],
        ['diarrhoea', 'diarrhea'],
        ['foet', 'fet'],
        ['faec', 'fec'],
        ['leuk', 'leuc'],
        ['sulph', 'sulf'],
        ['tumour', 'tumor'],
        ['ageing', 'aging'],
        ['programme', 'program'],
        ['centre', 'center'],
        ['fibre', 'fiber'],
        ['litre', 'liter'],
        ['metre', 'meter'],
        ['apnoea', 'apnea'],
        ['behaviour', 'behavior'],
        ['colour', 'color'],
        ['labour', 'labor'],
        ['grey', 'gray'],
        ['judgement', 'judgment'],
        ['travelling', 'traveling'],
        ['labelled', 'labeled'],
        ['enrol', 'enroll'],
        ['practise', 'practice'],
        ['licence', 'license'],
        ['shift work', 'shiftwork'],
    ];

    /** Endings after which -or is no spelling of -our: doctor, monitor, for. */
    private const OUR = '/(?:col|lab|hum|tum|behavi|fav|hon|vap|od|rum|harb|neighb|vig)o?u?r/';

    /** @return list<string> in lower case; without the word itself */
    public static function transatlantic(string $word): array
    {
        $word = mb_strtolower($word);
        $found = [];
        foreach (self::PAIRS as [$british, $american]) {
            if (($british === 'our' || $american === 'or') && preg_match(self::OUR, $word) !== 1) {
                continue;
            }
            if (in_array($british, self::WITH_S, true) && preg_match(self::ALWAYS_S, $word) === 1) {
                continue;
            }
            foreach ([[$british, $american], [$american, $british]] as [$from, $to]) {
                $other =
                    str_contains($word, $from) && ! ($from === $american && str_contains($word, $british))
                        ? str_replace($from, $to, $word)
                        : $word;
                if ($other !== $word) {
                    $found[] = $other;
                }
            }
        }

        return array_values(array_unique($found));
    }

    /** The plural of a singular, or the singular of a plural; null where neither is plain. */
    public static function otherNumber(string $word): ?string
    {
        $word = mb_strtolower($word);

        return match (true) {
            preg_match('/^\p{L}{3,}$/u', $word) !== 1,
            preg_match('/(?:ss|us|is|ness|ing|ly|ed)$/', $word) === 1 => null,
            preg_match('/[^aeiou]ies$/', $word) === 1 => substr($word, 0, -3).'y',
            preg_match('/(?:ch|sh|x|ss)es$/', $word) === 1 => substr($word, 0, -2),
            str_ends_with($word, 's') => substr($word, 0, -1),
            preg_match('/[^aeiou]y$/', $word) === 1 => substr($word, 0, -1).'ies',
            preg_match('/(?:ch|sh|x)$/', $word) === 1 => "{$word}es",
            default => "{$word}s",
        };
    }

    /**
     * The known word that a mistyped one is likeliest meant for: at most two letters away, or one in short words.
     * Null where there is none, or the word is known.
     *
     * @param  iterable<string>  $known
     */
    public static function nearest(string $word, iterable $known): ?string
    {
        $word = mb_strtolower($word);
        $best = null;
        $least = mb_strlen($word) > 5 ? 3 : 2;
        foreach ($known as $one) {
            // two letters changed places: one slip, however it is counted
            $isSwapped = strlen($one) === strlen($word) && count_chars($one, 1) === count_chars($word, 1);
            $distance = $isSwapped
                ? min(1, levenshtein($word, $one))
                : (abs(strlen($one) - strlen($word)) < $least && strlen($one) < 200
                    ? levenshtein($word, $one)
                    : $least);
            if ($distance === 0) {
                return null;
            }
            if ($distance < $least) {
                [$best, $least] = [$one, $distance];
            }
        }

        return $best;
    }
}
