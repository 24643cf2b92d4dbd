<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/**
 * Compares lists of authors.
 *
 * An author is the family name, its last word and the initials, folded.
 *
 * @phpstan-type Author array{string, string, string}
 */
final class AuthorComparator
{
    private static function isAlone(Fingerprint $one): bool
    {
        return $one->authorCount === 1 && ! $one->cutShort;
    }

    public function compare(Fingerprint $a, Fingerprint $b): AuthorAgreement
    {
        if ($a->authors === [] || $b->authors === []) {
            return AuthorAgreement::Unknown;
        }
        $matched = $this->matched($a->authors, $b->authors);
        if ($matched === 0) {
            return self::areSwapped($a->authors, $b->authors) ? AuthorAgreement::Unknown : AuthorAgreement::NoneSame;
        }
        $few = min(count($a->authors), count($b->authors));
        if ($few === 1) {
            return self::isAlone($a) && self::isAlone($b) ? AuthorAgreement::Same : AuthorAgreement::FirstSame;
        }

        return $matched >= 2 && $matched * 4 >= $few * 3 ? AuthorAgreement::Same : AuthorAgreement::SomeSame;
    }

    /**
     * @param  list<Author>  $a
     * @param  list<Author>  $b
     * @return int how many of one list are in the other
     */
    private function matched(array $a, array $b): int
    {
        $odd = [];
        foreach ($a as $i => $name) {
            // most names stand at the same place in both lists
            if (isset($b[$i]) && $b[$i][0] === $name[0] && self::sameInitials($name, $b[$i])) {
                unset($b[$i]);
            } else {
                $odd[] = $name;
            }
        }
        $matched = count($a) - count($odd);
        foreach ($b === [] ? [] : $odd as $name) {
            foreach ($b as $at => $other) {
                if (self::sameInitials($name, $other) && self::sameFamily($name, $other)) {
                    unset($b[$at]);
                    $matched++;
                    break;
                }
            }
        }

        return $matched;
    }

    /**
     * Whether one source wrote given names where the other has family names: then the names say nothing either way.
     *
     * @param  list<Author>  $a
     * @param  list<Author>  $b
     */
    private static function areSwapped(array $a, array $b): bool
    {
        foreach (array_slice($a, 0, count($b)) as $i => [$family, , $initials]) {
            [$otherFamily, , $otherInitials] = $b[$i];
            if (! self::begin($initials, $otherFamily) || ! self::begin($otherInitials, $family)) {
                return false;
            }
        }

        return true;
    }

    private static function begin(string $initials, string $name): bool
    {
        return $initials !== '' && $name !== '' && $initials[0] === $name[0];
    }

    /**
     * @param  Author  $a
     * @param  Author  $b
     */
    private static function sameFamily(array $a, array $b): bool
    {
        [$family, $last] = $a;
        [$otherFamily, $otherLast] = $b;

        return $family === $otherFamily ||
            $last === $otherLast ||
            $family === $otherLast ||
            $last === $otherFamily ||
            self::respelt($family, $otherFamily) ||
            (strlen($otherLast) >= 4 && str_ends_with($family, $otherLast)) ||
            (strlen($last) >= 4 && str_ends_with($otherFamily, $last));
    }

    private static function respelt(string $a, string $b): bool
    {
        if (min(strlen($a), strlen($b)) < 5 || abs(strlen($a) - strlen($b)) > 3) {
            return false;
        }
        $edits = levenshtein($a, $b);

        return $edits <= 1 || ($edits <= 3 && JaroWinkler::similarity($a, $b) >= 0.95);
    }

    /**
     * Initials get out of order where a family name of two words was cut; one in common is enough.
     *
     * @param  Author  $a
     * @param  Author  $b
     */
    private static function sameInitials(array $a, array $b): bool
    {
        return $a[2] === '' || $b[2] === '' || $a[2][0] === $b[2][0] || strpbrk($a[2], $b[2]) !== false;
    }
}
