<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** Compares two fingerprints field by field, in grades. */
final class Comparator
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

    private const MOST_SLIPS = 4;

    /** Beginnings that stand against each other; an empty one is the bare word. */
    private const OPPOSITES = [
        ['hypo', 'hyper'],
        ['in', 'de', 'un', 'ir', 'im', 'dis', 'non', 'a', 'an', 're', ''],
        ['intra', 'inter', 'extra'],
        ['pre', 'post', 'peri'],
        ['ab', 'ad'],
        ['micro', 'macro'],
        ['under', 'over'],
        ['mono', 'bi', 'uni', 'tri', 'di'],
        ['anti', 'pro'],
        ['endo', 'exo'],
        ['af', 'ef'],
        ['sub', 'super'],
        ['', 'wo', 'fe'],
        ['', 'dia'],
        ['ex', 'im', 'in'],
        ['as', 'des'],
    ];

    /** @var array<string, int> */
    private array $journals = [];

    public function compare(Fingerprint $a, Fingerprint $b): Comparison
    {
        $conflicts = 0;
        $sameDoi = $a->doi !== '' && $a->doi === $b->doi;
        if (
            ! $sameDoi &&
            $a->year !== null &&
            $b->year !== null &&
            abs($a->year - $b->year) > 1 &&
            $a->title->text !== $b->title->text
        ) {
            return Comparison::of([7], 0); // years apart they are never joined; an equal title is still worth knowing
        }
        $title = $this->title($a, $b);
        if ($title >= 6 && ! $sameDoi && ($a->pages->first === null || $a->pages->first !== $b->pages->first)) {
            return Comparison::of([$title], $title === 6 ? Conflict::Words->value : 0); // nothing else could make them one
        }
        $authors = $this->authors($a, $b);
        $year = $a->year === null || $b->year === null ? 0 : min(3, 1 + abs($a->year - $b->year));
        $journal = $this->journal($a, $b);
        [$volume, $issue] = $this->volume($a, $b);
        $pages = $this->pages($a->pages, $b->pages);
        $doi = $this->doi($a, $b);
        $abstract = $this->abstract($a->sentences, $b->sentences);

        $conflicts |= $doi === 3 ? Conflict::Doi->value : 0;
        $conflicts |= $pages === 3 ? Conflict::Pages->value : 0;
        $conflicts |= $volume >= 3 ? Conflict::Volume->value : 0;
        $conflicts |= $year === 3 ? Conflict::Year->value : 0;
        $conflicts |= $title === 6 ? Conflict::Words->value : 0;
        $conflicts |= $this->kinds($a, $b);
        $conflicts |= $this->marks($a->title, $b->title);

        return Comparison::of(
            [$title, $authors, $year, $journal, $volume, $issue, $pages, $doi, $abstract],
            $conflicts,
        );
    }

    private function kinds(Fingerprint $a, Fingerprint $b): int
    {
        // a correction and a retraction are told apart by few sources
        $notice = fn (Fingerprint $one): string => in_array($one->title->kind, ['correction', 'retraction'], true)
            ? 'notice'
            : ($one->title->kind === '' && $one->genre === 'notice'
                ? 'notice'
                : $one->title->kind);
        $conflict = $notice($a) === $notice($b) ? 0 : Conflict::Kind->value;
        if ($conflict === 0 && $a->genre !== $b->genre) {
            $conflict = $a->genre === '' || $b->genre === '' ? 0 : Conflict::Genre->value;
        }

        return $conflict;
    }

    private function marks(TitleText $a, TitleText $b): int
    {
        if ($a->marks === $b->marks && $a->years === $b->years) {
            return 0;
        }
        $contradict =
            ($a->marks !== '' && $b->marks !== '' && $a->marks !== $b->marks) ||
            ($a->years !== '' && $b->years !== '' && $a->years !== $b->years);

        return $contradict ? Conflict::Part->value : Conflict::Mark->value;
    }

    private function title(Fingerprint $a, Fingerprint $b): int
    {
        $level = $this->titles($a->title->text, $b->title->text);
        if ($level <= 3) {
            return $level;
        }
        foreach ([[$a, $b], [$b, $a]] as [$one, $other]) {
            foreach ($one->otherTitles as $title) {
                foreach ([$other->title->text, ...$other->otherTitles] as $its) {
                    if ($this->titles($title, $its) <= 3) {
                        return 4;
                    }
                }
            }
        }

        // the original beside its translation cannot be told from another title
        return $level === 7 && ($a->title->bracketed xor $b->title->bracketed) ? 0 : $level;
    }

    private function titles(string $a, string $b): int
    {
        if ($a === $b) {
            return $a === '' ? 0 : 1;
        }
        if ($a === '' || $b === '') {
            return 0;
        }
        if (str_replace(' ', '', $a) === str_replace(' ', '', $b)) {
            return 1;
        }
        $wordsA = explode(' ', $a);
        $wordsB = explode(' ', $b);
        $leftA = $this->without($wordsA, $wordsB);
        $leftB = $this->without($wordsB, $wordsA);
        $shared = count($wordsA) - count($leftA);
        if ($shared * 2 < min(count($wordsA), count($wordsB))) {
            return $this->alike($a, $b) || $this->slipped($a, $b) ? 2 : 7;
        }
        if ($leftA !== [] && $leftB !== []) {
            if ($this->near(implode('', $leftA), implode('', $leftB))) {
                return 2;
            }
            // more slips than that are no slips
            if (min(count($leftA), count($leftB)) <= self::MOST_SLIPS) {
                [$leftA, $leftB] = $this->pairedOff($leftA, $leftB);
            }
        }
        $leftA = $this->telling($leftA);
        $leftB = $this->telling($leftB);
        if ($leftA === [] && $leftB === []) {
            return 2;
        }
        if ($leftA === [] || $leftB === []) {
            return $this->begins($wordsA, $wordsB) ? 3 : 5;
        }

        return $shared * 5 >= 3 * min(count($wordsA), count($wordsB)) ? 6 : ($this->alike($a, $b) ? 2 : 7);
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
     * Takes words away that are the same but for a slip of the pen, or that one side writes in one word.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return array{array<int, string>, array<int, string>} what is left of both
     */
    private function pairedOff(array $a, array $b): array
    {
        foreach ($a as $i => $word) {
            foreach ($b as $j => $other) {
                if ($this->near($word, $other)) {
                    unset($a[$i], $b[$j]);
                    break;
                }
            }
        }
        foreach ([[&$a, &$b], [&$b, &$a]] as [&$ones, &$others]) {
            foreach ($ones as $i => $word) {
                $keys = array_keys($others);
                for ($k = 0; $k + 1 < count($keys); $k++) {
                    if ($word === $others[$keys[$k]].$others[$keys[$k + 1]]) {
                        unset($ones[$i], $others[$keys[$k]], $others[$keys[$k + 1]]);
                        break;
                    }
                }
            }
        }

        return [$a, $b];
    }

    /**
     * The same but for typing: one edit in a word of four letters or more, two in one of eight; numbers must be the
     * same.
     */
    private function near(string $a, string $b): bool
    {
        $lengths = [strlen($a), strlen($b)];
        $length = max($lengths);
        if (abs($lengths[0] - $lengths[1]) > 2 || $length < 4 || $length > 250) {
            return false;
        }
        $edits = levenshtein($a, $b);
        if (
            $edits > 2 ||
            ($edits === 2 && $length < 8 && ! ($lengths[0] === $lengths[1] && count_chars($a, 3) === count_chars($b, 3)))
        ) {
            return false;
        }

        return $edits === 0 || (strpbrk($a.$b, '0123456789') === false && ! self::areOpposites($a, $b));
    }

    /** Words that a letter or two turn into their opposite, which no slip of the pen does so often. */
    private static function areOpposites(string $a, string $b): bool
    {
        foreach (self::OPPOSITES as $beginnings) {
            foreach ($beginnings as $one) {
                foreach ($beginnings as $other) {
                    if (
                        $one !== $other &&
                        str_starts_with($a, $one) &&
                        str_starts_with($b, $other) &&
                        substr($a, strlen($one)) === substr($b, strlen($other)) &&
                        strlen($a) - strlen($one) >= 2
                    ) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * Words that tell titles apart: no small words, no stray letters.
     *
     * @param  array<string>  $words
     * @return list<string>
     */
    private function telling(array $words): array
    {
        return array_values(
            array_filter(
                $words,
                fn (string $word): bool => (strlen($word) >= 3 && ! isset(self::SMALL[$word])) || ctype_digit($word),
            ),
        );
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

        return $this->close($beginning, substr(implode('', $long), 0, strlen($beginning)), 0.08);
    }

    /** Whole titles that differ by little in the run of their letters, as where words were cut or damaged. */
    private function alike(string $a, string $b): bool
    {
        return $this->close(str_replace(' ', '', $a), str_replace(' ', '', $b), 0.08);
    }

    /** Short titles, such as headings of a journal, in which a slip is a large part. */
    private function slipped(string $a, string $b): bool
    {
        return strlen($a) < 24 &&
            strlen($b) < 24 &&
            preg_match('/\d/', $a.$b) !== 1 &&
            JaroWinkler::similarity($a, $b) >= 0.93;
    }

    private function close(string $a, string $b, float $share): bool
    {
        $most = (int) floor(max(strlen($a), strlen($b)) * $share);
        if (
            $most === 0 ||
            abs(strlen($a) - strlen($b)) > $most ||
            preg_replace('/\D+/', ' ', $a) !== preg_replace('/\D+/', ' ', $b)
        ) {
            return $a === $b;
        }

        return strlen($a) <= 250 && strlen($b) <= 250
            ? levenshtein($a, $b) <= $most
            : substr($a, 0, 200) === substr($b, 0, 200);
    }

    private function authors(Fingerprint $a, Fingerprint $b): int
    {
        if ($a->authors === [] || $b->authors === []) {
            return 0;
        }
        $few = min(count($a->authors), count($b->authors));
        $matched = 0;
        $left = $b->authors;
        $odd = [];
        foreach ($a->authors as $i => $name) {
            // most names stand at the same place in both lists
            if (isset($left[$i]) && $left[$i][0] === $name[0] && self::sameInitials($name, $left[$i])) {
                unset($left[$i]);
                $matched++;
            } else {
                $odd[] = $name;
            }
        }
        foreach ($left === [] ? [] : $odd as $name) {
            foreach ($left as $at => $other) {
                if (self::sameInitials($name, $other) && $this->sameFamily($name, $other)) {
                    unset($left[$at]);
                    $matched++;
                    break;
                }
            }
        }
        if ($matched === 0) {
            return self::areSwapped($a->authors, $b->authors) ? 0 : 4;
        }
        if ($few === 1) {
            return $a->authorCount === 1 && $b->authorCount === 1 && ! $a->cutShort && ! $b->cutShort ? 1 : 2;
        }

        return $matched >= 2 && $matched * 4 >= $few * 3 ? 1 : 3;
    }

    /**
     * Whether one source wrote given names where the other has family names: then the names say nothing either way.
     *
     * @param  list<array{string, string, string}>  $a
     * @param  list<array{string, string, string}>  $b
     */
    private static function areSwapped(array $a, array $b): bool
    {
        foreach ($a as $i => $name) {
            $other = $b[$i] ?? null;
            if ($other === null) {
                break;
            }
            if (
                $name[2] === '' ||
                $other[2] === '' ||
                $name[0] === '' ||
                $other[0] === '' ||
                $name[2][0] !== $other[0][0] ||
                $other[2][0] !== $name[0][0]
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array{string, string, string}  $a
     * @param  array{string, string, string}  $b
     */
    private function sameFamily(array $a, array $b): bool
    {
        if ($a[0] === $b[0] || $a[1] === $b[1] || $a[0] === $b[1] || $a[1] === $b[0]) {
            return true;
        }
        $lengths = [strlen($a[0]), strlen($b[0])];
        if (min($lengths) >= 5 && abs($lengths[0] - $lengths[1]) <= 3) {
            $edits = levenshtein($a[0], $b[0]);
            if ($edits <= 1 || ($edits <= 3 && JaroWinkler::similarity($a[0], $b[0]) >= 0.95)) {
                return true;
            }
        }

        return (strlen($b[1]) >= 4 && str_ends_with($a[0], $b[1])) ||
            (strlen($a[1]) >= 4 && str_ends_with($b[0], $a[1]));
    }

    /**
     * Initials get out of order where a family name of two words was cut; one in common is enough.
     *
     * @param  array{string, string, string}  $a
     * @param  array{string, string, string}  $b
     */
    private static function sameInitials(array $a, array $b): bool
    {
        return $a[2] === '' || $b[2] === '' || $a[2][0] === $b[2][0] || strpbrk($a[2], $b[2]) !== false;
    }

    private function journal(Fingerprint $a, Fingerprint $b): int
    {
        $best = 0;
        foreach ($a->journals as $one) {
            foreach ($b->journals as $other) {
                $level =
                    $one === $other ? 1 : ($this->journals["{$one}|{$other}"] ??= $this->journalNames($one, $other));
                $best = $best === 0 ? $level : min($best, $level);
            }
        }

        return $best;
    }

    private function journalNames(string $a, string $b): int
    {
        $wordsA = explode(' ', $a);
        $wordsB = explode(' ', $b);
        $length = min(count($wordsA), count($wordsB));
        for ($i = 0; $i < $length; $i++) {
            if (! $this->abbreviates($wordsA[$i], $wordsB[$i])) {
                break;
            }
        }
        if ($i === $length) {
            return count($wordsA) === count($wordsB) ? 1 : 2;
        }
        if (
            (count($wordsA) === 1 && strlen($a) >= 3 && str_starts_with(self::initials($wordsB), $a)) ||
            (count($wordsB) === 1 && strlen($b) >= 3 && str_starts_with(self::initials($wordsA), $b))
        ) {
            return 2;
        }

        return $this->close(str_replace(' ', '', $a), str_replace(' ', '', $b), 0.06) ? 1 : 3;
    }

    /** @param  list<string>  $words */
    private static function initials(array $words): string
    {
        return implode('', array_map(fn (string $word): string => $word[0] ?? '', $words));
    }

    /** Whether one word begins the other, or is it with letters left out ("dept", "natl"), or is it mistyped. */
    private function abbreviates(string $a, string $b): bool
    {
        if ($a === $b) {
            return true;
        }
        [$short, $long] = strlen($a) <= strlen($b) ? [$a, $b] : [$b, $a];
        if (str_starts_with($long, $short)) {
            return strlen($short) > 1 || strlen($long) > 1;
        }
        if (strlen($short) >= 4 && levenshtein($short, $long) <= 1) {
            return true;
        }
        if (
            $short === '' ||
            $short[0] !== $long[0] ||
            strlen($short) < 3 ||
            strlen($long) - strlen($short) < 2 ||
            $short[-1] !== $long[-1]
        ) {
            return false;
        }
        for ($i = 0, $j = 0; $j < strlen($long) && $i < strlen($short); $j++) {
            $i += $short[$i] === $long[$j] ? 1 : 0;
        }

        return $i === strlen($short);
    }

    /** @return array{int, int} levels of volume and issue */
    private function volume(Fingerprint $a, Fingerprint $b): array
    {
        $issue = $a->issue === '' || $b->issue === '' ? 0 : ($a->issue === $b->issue ? 1 : 2);
        if ($a->volume === '' || $b->volume === '') {
            return [0, $issue];
        }
        if ($a->volume === $b->volume) {
            return [1, $issue];
        }
        if (
            ($a->volume === $b->issue && ($b->volume === $a->issue || $a->issue === '')) ||
            ($b->volume === $a->issue && $b->issue === '')
        ) {
            return [2, 0];
        }
        $near =
            strlen($a->volume) === strlen($b->volume) &&
            strlen($a->volume) > 1 &&
            (levenshtein($a->volume, $b->volume) === 1 || strrev($a->volume) === $b->volume);

        return [$near ? 3 : 4, $issue];
    }

    private function pages(PageSpan $a, PageSpan $b): int
    {
        if (! $a->isKnown() || ! $b->isKnown()) {
            return 0;
        }
        if ($a->first === $b->first) {
            if ($a->letters !== $b->letters && $a->letters !== '' && $b->letters !== '') {
                return 3;
            }

            return $a->last === null || $b->last === null || $a->last === $b->last ? 1 : 2;
        }
        // an article's number and pages from 1, or pages in an issue, are two ways to say where it is
        if ($a->isArticleNumber !== $b->isArticleNumber || $a->isWithin() || $b->isWithin()) {
            return 0;
        }
        if ($a->last !== null && $a->last === $b->last) {
            return 2;
        }
        $ones = (string) $a->first;
        $others = (string) $b->first;

        return strlen($ones) === strlen($others) &&
            strlen($ones) >= 3 &&
            count_chars($ones, 1) === count_chars($others, 1) &&
            levenshtein($ones, $others) <= 2
            ? 2
            : 3;
    }

    private function doi(Fingerprint $a, Fingerprint $b): int
    {
        if ($a->doi === '' || $b->doi === '') {
            return 0;
        }
        if ($a->doi === $b->doi) {
            return 1;
        }
        if ($a->doiElsewhere || $b->doiElsewhere) {
            return 0;
        }
        [$short, $long] = strlen($a->doi) <= strlen($b->doi) ? [$a->doi, $b->doi] : [$b->doi, $a->doi];
        $cut =
            strlen($short) >= 12 &&
            str_starts_with($long, $short) &&
            preg_match('/^[.\/-]?(?:s|suppl|v|t|fig)\d*/', substr($long, strlen($short))) !== 1;

        return $cut || (strlen($short) >= 14 && levenshtein($short, $long) <= 1) ? 2 : 3;
    }

    /**
     * @param  list<int>  $a
     * @param  list<int>  $b
     */
    private function abstract(array $a, array $b): int
    {
        $few = min(count($a), count($b));
        if ($few < 2) {
            return 0;
        }
        $share = count(array_intersect($a, $b)) / $few;

        return $share >= 0.6 ? 1 : ($share >= 0.25 ? 2 : 3);
    }
}
