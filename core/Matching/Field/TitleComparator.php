<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/** Compares titles, as TitleText writes them. */
final class TitleComparator
{
    private const SMALL = [
        'the' => 1,
        'and' => 1,
        'for' => 1,
        'with' => 1,
        'from' => 1,
        'its' => 1,
        'der' => 1,
        'des' => 1,
        'les' => 1,
        'las' => 1,
        'los' => 1,
        'del' => 1,
        'und' => 1,
        'sur' => 1,
        'une' => 1,
        'among' => 1,
        'into' => 1,
    ];

    /** More than that are no slips. */
    private const MOST_SLIPS = 4;

    public function compare(Fingerprint $a, Fingerprint $b): TitleAgreement
    {
        $agreement = $this->texts($a->title->text, $b->title->text);
        if ($agreement->value <= TitleAgreement::WithoutSubtitle->value) {
            return $agreement;
        }
        if ($this->areTranslations($a, $b) || $this->areTranslations($b, $a)) {
            return TitleAgreement::Translated;
        }
        // the original beside its translation cannot be told from another title
        $isOneBracketed = $a->title->bracketed !== $b->title->bracketed;

        return $agreement === TitleAgreement::Different && $isOneBracketed ? TitleAgreement::Unknown : $agreement;
    }

    /** Whether another title of the one is a title of the other. */
    private function areTranslations(Fingerprint $one, Fingerprint $other): bool
    {
        foreach ($one->otherTitles as $title) {
            foreach ([$other->title->text, ...$other->otherTitles] as $its) {
                if ($this->texts($title, $its)->value <= TitleAgreement::WithoutSubtitle->value) {
                    return true;
                }
            }
        }

        return false;
    }

    private function texts(string $a, string $b): TitleAgreement
    {
        if ($a === '' || $b === '') {
            return TitleAgreement::Unknown;
        }
        if ($a === $b || str_replace(' ', '', $a) === str_replace(' ', '', $b)) {
            return TitleAgreement::Same;
        }
        $wordsA = explode(' ', $a);
        $wordsB = explode(' ', $b);
        $leftA = $this->without($wordsA, $wordsB);
        $leftB = $this->without($wordsB, $wordsA);
        $shared = count($wordsA) - count($leftA);
        $fewest = min(count($wordsA), count($wordsB));
        if ($shared * 2 < $fewest) {
            return Slips::alike($a, $b) || $this->slipped($a, $b) ? TitleAgreement::Respelt : TitleAgreement::Different;
        }
        [$leftA, $leftB] = $this->telling($leftA, $leftB);

        return match (true) {
            $leftA === [] && $leftB === [] => TitleAgreement::Respelt,
            $leftA === [] || $leftB === [] => $this->begins($wordsA, $wordsB)
                ? TitleAgreement::WithoutSubtitle
                : TitleAgreement::WordsAdded,
            $shared * 5 >= 3 * $fewest => TitleAgreement::WordsDiffer,
            Slips::alike($a, $b) => TitleAgreement::Respelt,
            default => TitleAgreement::Different,
        };
    }

    /**
     * @param  list<string>  $words
     * @param  list<string>  $others
     * @return list<string> what is left of the words when each of the others has taken one like itself away
     */
    private function without(array $words, array $others): array
    {
        $counts = array_count_values($others);
        $left = [];
        foreach ($words as $word) {
            if (($counts[$word] ?? 0) > 0) {
                $counts[$word]--;
            } else {
                $left[] = $word;
            }
        }

        return $left;
    }

    /**
     * The words of either that are not in the other and tell titles apart: no slips of the pen, no small words, no
     * stray letters.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return array{list<string>, list<string>}
     */
    private function telling(array $a, array $b): array
    {
        if ($a !== [] && $b !== []) {
            if (Slips::near(implode('', $a), implode('', $b))) {
                return [[], []];
            }
            if (min(count($a), count($b)) <= self::MOST_SLIPS) {
                [$a, $b] = $this->pairedOff($a, $b);
            }
        }
        $tells = fn (string $word): bool => (strlen($word) >= 3 && ! isset(self::SMALL[$word])) || ctype_digit($word);

        return [array_values(array_filter($a, $tells)), array_values(array_filter($b, $tells))];
    }

    /**
     * Takes words away that are the same but for a slip of the pen, or that one side writes in one word.
     *
     * @param  array<int, string>  $a
     * @param  array<int, string>  $b
     * @return array{array<int, string>, array<int, string>} what is left of both
     */
    private function pairedOff(array $a, array $b): array
    {
        foreach ($a as $i => $word) {
            foreach ($b as $j => $other) {
                if (Slips::near($word, $other)) {
                    unset($a[$i], $b[$j]);
                    break;
                }
            }
        }
        [$a, $b] = $this->withoutCompounds($a, $b);
        [$b, $a] = $this->withoutCompounds($b, $a);

        return [$a, $b];
    }

    /**
     * @param  array<int, string>  $ones
     * @param  array<int, string>  $others
     * @return array{array<int, string>, array<int, string>} both without what the ones write in one word, the others in two
     */
    private function withoutCompounds(array $ones, array $others): array
    {
        foreach ($ones as $i => $word) {
            $keys = array_keys($others);
            for ($k = 0; $k + 1 < count($keys); $k++) {
                if ($word === $others[$keys[$k]].$others[$keys[$k + 1]]) {
                    unset($ones[$i], $others[$keys[$k]], $others[$keys[$k + 1]]);
                    break;
                }
            }
        }

        return [$ones, $others];
    }

    /**
     * Whether the shorter is the beginning of the longer, a dropped word or slip aside.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     */
    private function begins(array $a, array $b): bool
    {
        [$short, $long] = count($a) <= count($b) ? [$a, $b] : [$b, $a];
        if (count($short) < 2) {
            return false;
        }
        $beginning = implode('', $short);

        return Slips::close($beginning, substr(implode('', $long), 0, strlen($beginning)), 0.08);
    }

    /** Short titles, such as headings of a journal, in which a slip is a large part. */
    private function slipped(string $a, string $b): bool
    {
        return strlen($a) < 24 &&
            strlen($b) < 24 &&
            preg_match('/\d/', $a.$b) !== 1 &&
            JaroWinkler::similarity($a, $b) >= 0.93;
    }
}
