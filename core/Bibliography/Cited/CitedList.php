<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

/**
 * The references of a text: one a line, or over several where each begins with its number, a blank line stands before it,
 * its later lines are set in, or names show where the next one begins.
 */
final class CitedList
{
    /** “12.”, “[12]”, “(12)” and bullets before a reference. */
    public const MARK = '/^\s*(?:(?!\((?:1[89]|20)\d\d\))[\[(]\s?\d{1,5}\s?[\])]\.?'
        .'|\[\p{L}[\p{L}+]{0,5}\d{1,2}[a-z]?\]|\d{1,5}[.)](?=\s)|[•‣*](?=\s))\s*/u';

    /** A dash before a reference is one only where the first has one too; else it stands for the names above. */
    private const DASH = '/^\s*[–—-]\s+/u';

    /** “12 Kolbe A”: a mark only where others count on. */
    public const BARE_MARK = '/^\s*(?<number>\d{1,5})\s+'
        .'(?=[\p{Lu}\d“"‘]|(?:van|von|de|del|di|da|du|la|le|el|al|bin|ter|ten|zu)\s)/u';

    /** “2018;9(1):e17.” at the end of a line: nothing but an address or a note can follow. */
    private const OVER = '~\d{4};\s?\d+(?:\(\w[^()]{0,11}\))?:\s?\w{1,8}(?:[-–]\w{1,8})?\.$~u';

    private const GOES_ON = '~^(?:\W|\p{Ll}|https?:|DOI|PMID|PMCID|PubMed|Epub|Available|Accessed|Retrieved|Published|Erratum)~u';

    /** Of the lines of a list that hangs, at least one in so many is set in. */
    private const SET_IN = 6;

    /** A dash, or a year, where the names would be: they are those of the reference above. */
    public const SAME = '/^(?:[–—]|-{2,3}|_{2,}|\(?'.CitedNumbers::YEAR.'[a-z]?[).])/u';

    /** Numbers go on though some lines in between could not be read. */
    private const LEFT_OUT = 5;

    /** An address that goes on behind a full stop in the next line. */
    private const ADDRESS = '~((?:https?://|\b10\.\d{4,9}/)[^\s<>"]*[._])\n(?=[\da-z])~u';

    /** First parts of words that keep their hyphen at the end of a line. */
    private const COMPOUND = 'self|non|well|double|single|half|cross|follow|placebo|cluster|evidence|health|sleep'
        .'|night|shift|case|before|state|user|patient|nurse';

    /**
     * The works of a pasted text.
     *
     * @return list<CitedWork> those that are told apart by a DOI or by more than a word or two
     */
    public static function works(string $text): array
    {
        return array_values(array_filter(array_map(CitedWork::read(...), self::apart($text))));
    }

    /** @return array<int, string> each as it stands, by the line it begins on, from 1 */
    public static function apart(string $text): array
    {
        $lines = self::lines($text);
        $marked = array_filter($lines, fn (string $line): bool => preg_match(self::MARK, $line) === 1);
        $areMarked = count($marked) > 1;
        $begins = $areMarked ? self::counting($marked) : preg_grep(self::hang($lines) ? '/^\S/u' : '/^\s*$/u', $lines);
        $works = [];
        foreach (self::blocks($lines, array_keys($begins ?: [])) as $block) {
            // a heading or a letter's first words may stand above what is numbered
            $works += self::joined($block, $areMarked && preg_match(self::MARK, reset($block) ?: '') === 1);
        }

        return $works;
    }

    /** @return list<string> with marks that are told as marks */
    private static function lines(string $text): array
    {
        $lines = preg_split('/\R/u', mb_scrub($text, 'UTF-8')) ?: [];
        $first = array_values(array_filter($lines, fn (string $line): bool => trim($line) !== ''))[0] ?? '';
        if (preg_match(self::DASH, $first) === 1) {
            $lines = array_map(fn (string $line): string => (string) preg_replace(self::DASH, '• ', $line), $lines);
        }

        return self::areCounted($lines) ? self::counted($lines) : $lines;
    }

    /**
     * @param  list<string>  $lines
     * @param  list<int>  $begins  the lines that begin a block
     * @return list<array<int, string>>
     */
    private static function blocks(array $lines, array $begins): array
    {
        $isBegin = array_flip($begins);
        $blocks = [[]];
        foreach ($lines as $at => $line) {
            if (isset($isBegin[$at])) {
                $blocks[] = [];
            }
            if (trim($line) !== '') {
                $blocks[array_key_last($blocks)][$at + 1] = trim($line);
            }
        }

        return $blocks;
    }

    /**
     * Of lines that begin with a mark, a page number, or a year that ends a sentence, is none of a list that counts.
     *
     * @param  array<int, string>  $marked
     * @return array<int, string>
     */
    private static function counting(array $marked): array
    {
        $counting = [];
        $last = null;
        foreach ($marked as $at => $line) {
            $number = preg_match('/^\W*(\d+)/', $line, $found) === 1 ? (int) $found[1] : null;
            if ($number === null || $last === null || $number === 1 || self::goesOn($last, $number)) {
                $counting[$at] = $line;
                $last = $number ?? $last;
            }
        }

        return 2 * count($counting) > count($marked) ? $counting : $marked;
    }

    private static function goesOn(int $last, int $number): bool
    {
        return $number > $last && $number < $last + self::LEFT_OUT;
    }

    /**
     * Whether all but the first line of references are set in.
     *
     * @param  list<string>  $lines
     */
    private static function hang(array $lines): bool
    {
        $filled = array_values(array_filter($lines, fn (string $line): bool => trim($line) !== ''));
        $areIn = count(preg_grep('/^\s/u', $filled) ?: []);

        return self::SET_IN * $areIn >= count($filled) &&
            count($filled) - $areIn > 1 &&
            preg_match('/^\S/u', $filled[0]) === 1;
    }

    /**
     * Whether lines begin with numbers that go up by one, bare of any sign.
     *
     * @param  list<string>  $lines
     */
    private static function areCounted(array $lines): bool
    {
        $last = null;
        $steps = 0;
        foreach ($lines as $line) {
            if (preg_match(self::BARE_MARK, $line, $found) === 1) {
                $steps += $last !== null && (int) $found['number'] === $last + 1 ? 1 : 0;
                $last = (int) $found['number'];
            }
        }

        return $steps > 0 && count(preg_grep(self::MARK, $lines) ?: []) <= $steps;
    }

    /**
     * Lines with a full stop behind each number that goes on counting; a year at the beginning of a line does not.
     *
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function counted(array $lines): array
    {
        $last = null;
        foreach ($lines as $at => $line) {
            $number = preg_match(self::BARE_MARK, $line, $found) === 1 ? (int) $found['number'] : null;
            if ($number !== null && ($last === null || self::goesOn($last, $number))) {
                $lines[$at] = (string) preg_replace('/^\s*\d+/', '$0.', $line);
                $last = $number;
            }
        }

        return $lines;
    }

    /**
     * @param  array<int, string>  $block  lines by their numbers
     * @param  bool  $isOne  whether they are known to be one reference; else they are where that tells more
     * @return array<int, string>
     */
    private static function joined(array $block, bool $isOne): array
    {
        if (count($block) < 2) {
            return $block;
        }
        $whole = [array_key_first($block) => self::flowing($block)];
        if ($isOne) {
            return $whole;
        }
        $told = self::told($block);
        // one line is told by chance; several that are told are works of their own, if most are
        $best = $told > 1 ? $block : [];
        $share = $told > 1 ? $told / count($block) : 0.0;
        foreach ([self::byNames($block), $whole] as $works) {
            $others = self::told($works) / count($works);
            [$best, $share] = $others > $share ? [$works, $others] : [$best, $share];
        }

        return $best === [] ? $block : $best;
    }

    /** @param  array<int, string>  $works */
    private static function told(array $works): int
    {
        return count(array_filter(
            $works,
            fn (string $one): bool => preg_match(self::SAME, $one) === 1 || CitedWork::read($one)?->isTold() === true,
        ));
    }

    /**
     * Lines that go on, where nothing but names shows where the next reference begins.
     *
     * @param  array<int, string>  $block
     * @return array<int, string>
     */
    private static function byNames(array $block): array
    {
        $works = [];
        $at = 0;
        foreach ($block as $number => $line) {
            $ends = $works !== [] && preg_match('~(?:[.)\d]|/\S+)$~u', end($works[$at])) === 1;
            $isOver = $works !== [] &&
                preg_match(self::OVER, end($works[$at])) === 1 &&
                preg_match(self::GOES_ON, $line) !== 1;
            $begins = $isOver ||
                ($ends && preg_match(self::SAME, $line) === 1) ||
                ($ends && (CitedNames::ahead($line)?->areCertain === true || CitedWork::isDated($line)));
            $at = $works === [] || $begins ? $number : $at;
            $works[$at][] = $line;
        }

        return array_map(self::flowing(...), $works);
    }

    /**
     * Lines as one: a word that is parted at the end of a line is whole again, as is an address.
     *
     * @param  array<string>  $lines
     */
    private static function flowing(array $lines): string
    {
        $text = implode("\n", $lines);
        $parted = '/(?<![\p{L}-])(?!(?i:'.self::COMPOUND.')-)(\p{L}{2,})[-‐]\n(?=\p{Ll})/u';

        return strtr((string) preg_replace(
            [$parted, '~(?<=[/‐-])\n(?=\S)~u', self::ADDRESS],
            ['$1', '', '$1'],
            $text,
        ), ["\n" => ' ']);
    }
}
