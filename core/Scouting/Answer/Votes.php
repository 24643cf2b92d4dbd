<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** A count of studies or sites by what they found: the part that tells what most of them did. */
final class Votes
{
    private const NUMBER = '(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d+)';

    private const FOUND = '(?:found|showed|reported|there was|saw|had|did|recorded)\b';

    /** The sentence, or of a count its first part: authors name first what most found. */
    public static function majority(string $text): string
    {
        $number = self::NUMBER;
        $isCount = preg_match(
            "/\b(?:of (?:the )?{$number}|{$number} (?:of|out of) (?:the )?{$number})\b/iu",
            $text,
        ) === 1;
        if (! $isCount) {
            return $text;
        }
        preg_match_all("/,\s+(?:and |but )?(?:in )?{$number}(?: \p{L}+)? ".self::FOUND.'/iu', $text, $all, PREG_OFFSET_CAPTURE);
        foreach ($all[0] as [, $at]) {
            $first = substr($text, 0, $at);
            // "Of nine studies, six found" has not said yet what they found
            if (preg_match('/\b(?:'.Turns::UP.'|'.Turns::DOWN.'|'.Turns::BETTER.'|'.Turns::WORSE.'|no|not)\b/iu', $first) === 1) {
                return $first;
            }
        }

        return $text;
    }
}
