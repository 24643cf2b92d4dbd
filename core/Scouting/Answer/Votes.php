<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** A count of studies or sites by what they found: the part that tells what most of them did. */
final class Votes
{
    private const NUMBER = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d+)';

    /** The sentence, or of a count its first part: authors name first what most found. */
    public static function majority(string $text): string
    {
        $number = self::NUMBER;
        $isCount = preg_match(
            "/\b(?:of (?:the )?{$number}|{$number} (?:of|out of) (?:the )?{$number})\b/iu",
            $text,
        ) === 1;
        if (
            ! $isCount ||
            preg_match(
                "/,?\s+(?:and |but )?(?:in )?{$number}(?: \p{L}+)? (?:found|showed|reported|there was|saw|had|did|recorded)\b/iu",
                $text,
                $found,
                PREG_OFFSET_CAPTURE,
                25,
            ) !== 1
        ) {
            return $text;
        }
        preg_match_all(
            "/,\s+(?:and |but )?(?:in )?{$number}(?: \p{L}+)? (?:found|showed|reported|there was|saw|had|did|recorded)\b/iu",
            $text,
            $all,
            PREG_OFFSET_CAPTURE,
        );

        return $all[0] === [] ? $text : substr($text, 0, $all[0][0][1]);
    }
}
