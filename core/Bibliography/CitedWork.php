<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * A work as a list of references or a mail names it, in whatever style: what it is found by again is told apart from the
 * rest. Where the style is none of those that are known, the whole line is its title.
 */
final readonly class CitedWork
{
    /** “12.”, “[12]”, “(12)” and bullets before a reference. */
    private const MARK = '/^\s*(?:[\[(]\d{1,4}[\])]\.?|\d{1,4}[.)](?=\s)|[•‣*–—-](?=\s))\s*/u';

    private const ADDRESS = '~(?:available (?:at|from):?\s*|retrieved from\s*)?(?:https?://\S+|(?:doi:?\s*)?10\.\d{4,9}/\S+)~iu';

    private const YEAR = '/(?<![\d\p{L}])(1[89]\d\d|20\d\d)[a-z]?(?![\d\p{L}])/u';

    /** “Kolbe A”, “van der Berg AB”, “Kolbe, A. B.”, “Haas-Ito, M.”; several of them, and “et al.” */
    private const AUTHORS = '/^(?:(?:(?:\p{L}[\p{L}’\'-]* ){0,3}\p{Lu}[\p{L}’\'-]+,? (?:\p{Lu}[.-]?[ -]?){1,4}(?:Jr\.?|III?)?'
        .'|et al\.?|\.{3}|…)(?:[,;.:&]|\band\b|\s)*)+$/u';

    /** “Night Council”, “National Institute for Lamps and Light (NILL)”: where a title begins small after its first word */
    private const BODY = '(?:\p{Lu}[\p{L}’\'-]++(?:[ ,]+(?:of|for|the|and|on|in|&)\b)*+[ ,]*+){2,10}(?:\(\p{Lu}{2,10}\))?';

    /**
     * @param  string  $by  what stands before the title: its authors, where the style is known
     * @param  string  $after  what stands behind it: where it appeared
     */
    private function __construct(
        public string $title,
        public string $doi = '',
        public ?int $year = null,
        public string $by = '',
        public string $after = '',
    ) {
    }

    /** Whether its style is known, so that the title is no more than a title. */
    public function isTold(): bool
    {
        return $this->by !== '';
    }

    /**
     * The works of a pasted text.
     *
     * @return list<self> those that are told apart by a DOI or by more than a word or two
     */
    public static function all(string $text): array
    {
        return array_values(array_filter(array_map(self::read(...), self::apart($text))));
    }

    /**
     * The references of a text: one a line, or over several where each begins with its number.
     *
     * @return array<int, string> by the line each begins on, from 1
     */
    public static function apart(string $text): array
    {
        $lines = array_filter(
            array_map(trim(...), preg_split('/\R/u', mb_scrub($text, 'UTF-8')) ?: []),
            fn (string $line): bool => $line !== '',
        );
        $isMarked = fn (string $line): bool => preg_match(self::MARK, $line) === 1;
        $areNumbered = count(array_filter($lines, $isMarked)) > 1;
        $works = [];
        foreach ($lines as $at => $line) {
            $last = array_key_last($works);
            if ($areNumbered && $last !== null && ! $isMarked($line)) {
                $works[$last] .= " {$line}";
            } else {
                $works[$at + 1] = $line;
            }
        }

        return $works;
    }

    /** Null where a line says too little to find a work by. */
    public static function read(string $line): ?self
    {
        $line = (string) preg_replace(self::MARK, '', trim($line));
        $doi = Doi::all($line)[0] ?? '';
        $bare = trim((string) preg_replace(self::ADDRESS, ' ', $line), " \t.,;");
        $title = trim(self::quoted($bare) ?? self::afterYear($bare) ?? self::afterAuthors($bare) ?? self::afterBody($bare) ?? $bare, " \t.,;:");
        if ($doi === '' && mb_strlen($title) <= 10) {
            return null;
        }
        if ($title === trim($bare, " \t.,;:")) {
            return new self($title, $doi);
        }
        $at = (int) strpos($bare, $title);
        [$before, $after] = [substr($bare, 0, $at), substr($bare, $at + strlen($title))];
        $year = preg_match(self::YEAR, "{$before} {$after}", $found) === 1 ? (int) $found[1] : null;
        $by = (string) preg_replace(
            ['/[\s,;:“"„«]+$/u', '/[\s.,(]*(?:1[89]|20)\d\d[a-z]?(?:, [^)]{1,20})?\)?[\s.,;:]*$/u'],
            '',
            $before,
        );

        return new self($title, $doi, $year, $by, (string) preg_replace('/^[\s.,;:?!”"“»]+/u', '', $after));
    }

    /** Kolbe, Anna. “Lamps in wards.” Journal of Sleep 3 (2004): 12–19. */
    private static function quoted(string $text): ?string
    {
        return preg_match('/[“"„«]([^”"“»]{12,}?)[,.]?[”"“»]/u', $text, $found) === 1 && mb_strpos($text, $found[0]) > 3
            ? $found[1]
            : null;
    }

    /** Kolbe, A., & Haas, M. (2004). Lamps in wards. Journal of Sleep, 3, 12–19. */
    private static function afterYear(string $text): ?string
    {
        $year = '(?:\((?:1[89]|20)\d\d[a-z]?(?:, [^)]{1,20})?\)|(?:1[89]|20)\d\d[a-z]?)[.,:]?\s+';
        if (preg_match("/^(.{4,400}?)[\s.,]{$year}(.{11,})$/us", $text, $found) !== 1 || ! self::areAuthors($found[1])) {
            return null;
        }

        return self::sentence($found[2]);
    }

    /** Kolbe A, Haas M. Lamps in wards. J Sleep. 2004;3(2):12-9. */
    private static function afterAuthors(string $text): ?string
    {
        $parts = preg_split('/(?<=\p{Lu}|al|\p{L}\.)[.:]\s+(?=\p{L})/u', $text, 2) ?: [];

        return count($parts) === 2 && self::areAuthors($parts[0]) && preg_match(self::YEAR, $parts[1]) === 1
            ? self::sentence($parts[1])
            : null;
    }

    /** Night Council. Lamps at work. Lund: Fen House; 2012. */
    private static function afterBody(string $text): ?string
    {
        $body = self::BODY;

        return preg_match("/^{$body}[.:]\s+(\p{Lu}.+)$/us", $text, $found) === 1 && preg_match(self::YEAR, $found[1]) === 1
            ? self::sentence($found[1])
            : null;
    }

    private static function areAuthors(string $text): bool
    {
        $text = trim($text, " \t.,;");

        return preg_match(self::AUTHORS, $text) === 1 || preg_match('/^'.self::BODY.'$/u', $text) === 1;
    }

    /** Up to the full stop that ends it; what asks keeps its sign. */
    private static function sentence(string $text): ?string
    {
        return preg_match('/^(.{11,}?(?:\?|!|\.(?=\s|$)))(?=\s+\p{Lu}|\s*$|\s+\d)/us', $text, $found) === 1
            ? rtrim($found[1], '.')
            : null;
    }
}
