<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/** Compares names of journals, folded and without small words; what it found of two names it remembers. */
final class JournalComparator
{
    /** @var array<string, JournalAgreement> */
    private array $known = [];

    /** The best agreement of any name of the one with any of the other. */
    public function compare(Fingerprint $a, Fingerprint $b): JournalAgreement
    {
        $best = JournalAgreement::Unknown;
        foreach ($a->journals as $one) {
            foreach ($b->journals as $other) {
                $agreement =
                    $one === $other
                        ? JournalAgreement::Same
                        : ($this->known["{$one}|{$other}"] ??= $this->names($one, $other));
                if ($best === JournalAgreement::Unknown || $agreement->value < $best->value) {
                    $best = $agreement;
                }
            }
        }

        return $best;
    }

    private function names(string $a, string $b): JournalAgreement
    {
        $wordsA = explode(' ', $a);
        $wordsB = explode(' ', $b);
        $length = min(count($wordsA), count($wordsB));
        for ($same = 0; $same < $length && $this->abbreviates($wordsA[$same], $wordsB[$same]);) {
            $same++;
        }

        return match (true) {
            $same === $length && count($wordsA) === count($wordsB) => JournalAgreement::Same,
            $same === $length,
            self::areInitials($wordsA, $wordsB),
            self::areInitials($wordsB, $wordsA) => JournalAgreement::OneHoldsOther,
            Slips::close(str_replace(' ', '', $a), str_replace(' ', '', $b), 0.06) => JournalAgreement::Same,
            default => JournalAgreement::Different,
        };
    }

    /**
     * Whether one is a single word of initials with which the words of the other begin.
     *
     * @param  list<string>  $one
     * @param  list<string>  $other
     */
    private static function areInitials(array $one, array $other): bool
    {
        if (count($one) !== 1 || strlen($one[0]) < 3) {
            return false;
        }

        return str_starts_with(implode('', array_map(fn (string $word): string => $word[0] ?? '', $other)), $one[0]);
    }

    /** Whether one word begins the other, or is it with letters left out ("dept", "natl"), or is it mistyped. */
    private function abbreviates(string $a, string $b): bool
    {
        [$short, $long] = strlen($a) <= strlen($b) ? [$a, $b] : [$b, $a];

        return match (true) {
            $a === $b => true,
            str_starts_with($long, $short) => true,
            strlen($short) >= 4 && levenshtein($short, $long) <= 1 => true,
            default => self::isContracted($short, $long),
        };
    }

    /** Whether the short is the long with letters left out of its middle. */
    private static function isContracted(string $short, string $long): bool
    {
        if (
            strlen($short) < 3 ||
            strlen($long) - strlen($short) < 2 ||
            $short[0] !== $long[0] ||
            $short[-1] !== $long[-1]
        ) {
            return false;
        }
        for ($i = 0, $j = 0; $j < strlen($long) && $i < strlen($short); $j++) {
            $i += $short[$i] === $long[$j] ? 1 : 0;
        }

        return $i === strlen($short);
    }
}
