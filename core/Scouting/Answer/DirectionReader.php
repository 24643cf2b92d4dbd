<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\ConceptMatch;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

/** Reads from a sentence which way the outcome goes with what is asked about. */
final readonly class DirectionReader
{
    private const COUNTS = 'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve';

    private Opposites $opposites;

    public function __construct(private PlainQuestion $question)
    {
        $this->opposites = Opposites::of($question);
    }

    public function read(RecordSentence $sentence): ?Direction
    {
        $text = $sentence->text;
        // clock times are no figures that could be compared
        $text = Votes::majority((string) preg_replace('/\b[0-2]?\d:[0-5]\d\b/', '', $text));
        if ($this->isMixed($text)) {
            return Direction::Mixed;
        }
        if (preg_match(Turns::UNCLEAR, $text) === 1) {
            return Direction::Unclear;
        }
        $chance = Chance::of($text);
        if ($chance === true) {
            return Direction::NoDifference;
        }
        if ($chance === null && preg_match(Turns::NO_DIFFERENCE, $text) === 1 && ! $this->isDoubled($text)) {
            return Direction::NoDifference;
        }
        if ($chance === null && ($this->isSteady($text) || Figure::isNearlyAlike($text))) {
            return Direction::NoDifference;
        }
        $sign = $this->sign($text);

        return $sign === 0 ? null : Direction::ofSign($sign);
    }

    /** Some went one way and some did not. */
    private function isMixed(string $text): bool
    {
        if (
            preg_match(Turns::SUBGROUP, $text, $found, PREG_OFFSET_CAPTURE) !== 1 ||
            preg_match(Turns::STRATA, $text) !== 1
        ) {
            return false;
        }
        $at = $found[0][1];
        [$one, $other] = [substr($text, 0, $at), substr($text, $at)];
        if (preg_match('/^(?:only|confined|restricted|limited|depend|interaction)/i', $found[0][0]) === 1) {
            return true;
        }
        $signs = [$this->clauseSign($one), $this->clauseSign($other)];

        return $signs[0] !== null && $signs[1] !== null && $signs[0] !== $signs[1];
    }

    /** 1 up, -1 down, 0 no difference, null: it says nothing of it. */
    private function clauseSign(string $clause): ?int
    {
        if (preg_match(Turns::NO_DIFFERENCE, $clause) === 1 || Chance::of($clause) === true ||
            preg_match('/\b(?:not|no|unchanged|little|slightly)\b/i', $clause) === 1) {
            return 0;
        }
        $sign = $this->sign($clause);

        return $sign === 0 ? null : $sign;
    }

    private function isSteady(string $text): bool
    {
        return preg_match('/\bremained (?:stable|constant|the same|level|as it was)\b/iu', $text) === 1 &&
            preg_match('/\b(?:but|whereas|while|though|although)\b/iu', $text) !== 1;
    }

    /** "were not less sleepy in no hospital": two denials. */
    private function isDoubled(string $text): bool
    {
        return preg_match(
            '/\b(?:In no|None|Nowhere|Never|Nobody|unlikely that|hardly true that)\b[^.,;]*\bnot\b/u',
            $text,
        ) === 1;
    }

    private function sign(string $text): int
    {
        $favoured = $this->favoured($text);
        if ($favoured !== 0) {
            return $favoured * ($this->isGood() ? 1 : -1);
        }
        $ratio = Figure::ratio($text);
        $word = $this->worded($text);
        if ($ratio !== 0 && $word === 0) {
            return $ratio * $this->polarity($text) * $this->orientation($text);
        }
        if ($word !== 0) {
            return $word * $this->orientation($text);
        }

        $sign = Figure::compared($text, $this->isWithout(...));

        return ($sign === 0 ? Figure::difference($text) : $sign) * $this->polarity($text);
    }

    /** 1 where a sentence ends in favour of what is asked about, -1 in favour of the other. */
    private function favoured(string $text): int
    {
        if (preg_match('/\b(?:in favour of|favou?r(?:s|ed|ing))\b(.*)$/iu', $text, $found) !== 1) {
            return 0;
        }

        return $this->unexposed($found[1]) > $this->exposed($found[1]) ? -1 : 1;
    }

    /** By the comparing word that stands nearest to the outcome. */
    private function worded(string $text): int
    {
        foreach (preg_split('/,? and |[,;] /', $text) ?: [] as $clause) {
            $own = $this->outcomeAt($clause) < 0 ? 0 : $this->wordedIn($clause);
            if ($own !== 0) {
                return $own;
            }
        }

        return $this->wordedIn($text);
    }

    private function wordedIn(string $text): int
    {
        $change = Turns::sizeOfChange($text);
        if ($change !== 0) {
            return $change * $this->polarity($text);
        }
        $outcome = $this->outcomeAt($text);
        $valence = $this->isGood() ? 1 : -1;
        $best = 0;
        $least = PHP_INT_MAX;
        $kinds = [
            [Turns::UP, 1, true],
            [Turns::DOWN, -1, true],
            [Turns::BETTER, $valence, false],
            [Turns::WORSE, -$valence, false],
        ];
        foreach ($kinds as [$pattern, $sign, $isRelative]) {
            $distance = self::nearest($text, $pattern, $outcome);
            if ($distance < $least) {
                $least = $distance;
                $best = $sign * ($isRelative ? $this->polarity($text) : 1);
            }
        }

        return $best;
    }

    /** How far from the outcome the nearest of these words stands, PHP_INT_MAX where there is none. */
    private static function nearest(string $text, string $pattern, int $outcome): int
    {
        $least = PHP_INT_MAX;
        preg_match_all('/\b(?:'.$pattern.')\b/iu', $text, $found, PREG_OFFSET_CAPTURE);
        foreach ($found[0] as [$word, $at]) {
            // “fell” is what is asked about, where that is falls
            $isAsked = $at === $outcome && preg_match('/^f[ae]ll/i', $word) === 1;
            if (! $isAsked && ! self::counts($word, substr($text, $at + strlen($word)))) {
                $least = min($least, $outcome < 0 ? $at : abs($at - $outcome));
            }
        }

        return $least;
    }

    /** “more than half”, “fewer than 20” */
    private static function counts(string $word, string $after): bool
    {
        return preg_match('/^(?:less|fewer|more|most|least)$/i', $word) === 1 &&
            preg_match('/^\s*(?:than )?(?:\d|half|'.self::COUNTS.'|or\b)/i', $after) === 1;
    }

    /** -1 where the sentence tells the outcome by its contrary. */
    private function polarity(string $text): int
    {
        return $this->outcome($text)?->isContrary === true ? -1 : 1;
    }

    private function outcomeAt(string $text): int
    {
        $match = $this->outcome($text);
        if ($match === null) {
            return -1;
        }
        preg_match_all('/[\p{L}\p{N}]+/u', $text, $words, PREG_OFFSET_CAPTURE);

        return $words[0][$match->at][1] ?? -1;
    }

    /** The first outcome asked about that the text holds. */
    private function outcome(string $text): ?ConceptMatch
    {
        $sentence = new RecordSentence($text, SentencePart::Untold, 0.5);
        foreach ($this->question->of(ConceptRole::Outcome) as $concept) {
            $match = ConceptMatch::of($concept, $sentence);
            if ($match->at >= 0) {
                return $match;
            }
        }

        return null;
    }

    /** -1 where those without it are compared to those with it. */
    private function orientation(string $text): int
    {
        $than = preg_match(
            '/\b(?:than(?! \d| (?:'.self::COUNTS.'|half|a|an|usual|expected|before)\b)'.
                '|compared (?:with|to)|versus|as against)\b/u',
            $text,
            $found,
            PREG_OFFSET_CAPTURE,
        ) === 1
            ? $found[0][1]
            : -1;
        if ($than < 0) {
            return $this->opposites->areNamed($text) ? -1 : 1;
        }
        [$one, $other] = [substr($text, 0, $than), substr($text, $than)];
        $own = $this->exposed($one) - $this->unexposed($one);
        $others = $this->exposed($other) - $this->unexposed($other);

        return $others > $own + 0.3 ? -1 : 1;
    }

    private function exposed(string $text): float
    {
        return $this->share(ConceptRole::Exposure, $text);
    }

    private function unexposed(string $text): float
    {
        return $this->question->has(ConceptRole::Comparator)
            ? $this->share(ConceptRole::Comparator, $text)
            : ($this->isWithout($text) ? 0.7 : 0.0);
    }

    private function isWithout(string $text): bool
    {
        if ($this->question->has(ConceptRole::Comparator)) {
            return $this->share(ConceptRole::Comparator, $text) > $this->share(ConceptRole::Exposure, $text);
        }

        return preg_match(Turns::WITHOUT, $text) === 1;
    }

    private function share(ConceptRole $role, string $text): float
    {
        $sentence = new RecordSentence($text, SentencePart::Untold, 0.5);

        return max([0.0, ...array_map(
            function (AskedConcept $concept) use ($sentence): float {
                $match = ConceptMatch::of($concept, $sentence);

                return $match->isContrary ? 0.0 : $match->share;
            },
            $this->question->of($role),
        )]);
    }

    private function isGood(): bool
    {
        foreach ($this->question->of(ConceptRole::Outcome) as $concept) {
            foreach ($concept->slots as $slot) {
                if (preg_match(Turns::GOOD, implode(' ', $slot->own)) === 1) {
                    return true;
                }
            }
        }

        return false;
    }
}
