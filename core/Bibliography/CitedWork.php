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
    private const MARK = '/^\s*(?:[\[(]\d{1,5}[\])]\.?|\d{1,5}[.)](?=\s)|[•‣*–—-](?=\s))\s*/u';

    private const ADDRESS = '~(?:available (?:at|from):?\s*|retrieved from\s*)?(?:https?://\S+|(?:doi:?\s*)?10\.\d{4,9}/\S+)~iu';

    private const YEAR = '/(?<![\d\p{L}])(1[89]\d\d|20\d\d)[a-z]?(?![\d\p{L}])/u';

    /** “Kolbe A”, “van der Berg AB”, “Kolbe, A. B.”, “Haas-Ito, M.”; several of them, and “et al.” */
    private const AUTHORS = '/^(?:(?:(?:\p{L}[\p{L}’\'-]* ){0,3}\p{Lu}[\p{L}’\'-]+,? (?:\p{Lu}[.-]?[ -]?){1,4}(?:Jr\.?|III?)?'
        .'|et al\.?|(?:for|on behalf of) the \p{Lu}[^.;,]{2,80}|\.{3}|…|\(?\b(?:editors?|[Ee]ds?)\b\.?\)?)(?:[,;.:&]|\band\b|\s)*)+$/u';

    /** “Night Council”, “National Institute for Lamps and Light (NILL)”: where a title begins small after its first word */
    private const BODY = '(?:\p{Lu}[\p{L}’\'-]++(?:[ ,]+(?:of|for|the|and|on|in|&)\b)*+[ ,]*+){2,10}(?:\(\p{Lu}{2,10}\))?';

    /** Letters of the shortest title behind authors who are certain. */
    private const SHORT = 5;

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
     * The references of a text: one a line, or over several where each begins with its number, or with a blank line
     * before it.
     *
     * @return array<int, string> by the line each begins on, from 1
     */
    public static function apart(string $text): array
    {
        $lines = array_map(trim(...), preg_split('/\R/u', mb_scrub($text, 'UTF-8')) ?: []);
        $filled = array_filter($lines, fn (string $line): bool => $line !== '');
        $isMarked = fn (string $line): bool => preg_match(self::MARK, $line) === 1;
        $areNumbered = count(array_filter($filled, $isMarked)) > 1;
        $works = $block = [];
        foreach ([...$lines, ''] as $at => $line) {
            if ($line !== '' && ! ($areNumbered && $isMarked($line))) {
                $block[$at + 1] = $line;
            } elseif ($line !== '') {
                $works += self::joined($block, $areNumbered);
                $block = [$at + 1 => $line];
            } elseif (! $areNumbered) {
                $works += self::joined($block, false);
                $block = [];
            }
        }

        return $works + self::joined($block, $areNumbered);
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
        $whole = implode(' ', $block);
        // a heading or a letter's first words may stand above what is numbered
        $isOne = $isOne && preg_match(self::MARK, $whole) === 1;

        return $isOne || self::tellsMore($whole, $block) ? [array_key_first($block) => $whole] : $block;
    }

    /** @param  array<int, string>  $block  the lines of the whole, of which more than one may be told by itself */
    private static function tellsMore(string $whole, array $block): bool
    {
        $areTold = array_filter($block, fn (string $line): bool => self::read($line)?->isTold() === true);

        return count($areTold) <= 1 && self::read($whole)?->isTold() === true;
    }

    /** Null where a line says too little to find a work by. */
    public static function read(string $line): ?self
    {
        $line = (string) preg_replace(self::MARK, '', trim($line));
        $doi = Doi::all($line)[0] ?? '';
        $bare = trim((string) preg_replace(self::ADDRESS, ' ', $line), " \t.,;");
        $title = self::quoted($bare) ?? self::afterYear($bare) ?? self::afterAuthors($bare) ?? self::afterBody($bare);
        $title = trim($title ?? $bare, " \t.,;:");
        if ($title === trim($bare, " \t.,;:")) {
            return $doi === '' && mb_strlen($title) <= 10 ? null : new self($title, $doi);
        }
        $at = (int) strpos($bare, $title);
        [$before, $after] = [substr($bare, 0, $at), substr($bare, $at + strlen($title))];
        $year = preg_match(self::YEAR, "{$before} {$after}", $found) === 1 ? (int) $found[1] : null;
        $by = (string) preg_replace(
            ['/[\s,;:“"„«‘\']+$/u', '/[\s,(]*(?:1[89]|20)\d\d[a-z]?(?:, [^)]{1,20})?\)?[\s.,;:]*$/u'],
            '',
            $before,
        );

        return new self($title, $doi, $year, $by, (string) preg_replace('/^[\s.,;:?!”"“»’\']+/u', '', $after));
    }

    /** Kolbe, Anna. “Lamps in wards.” Journal of Sleep 3 (2004): 12–19. */
    private static function quoted(string $text): ?string
    {
        $isQuoted = preg_match('/[“"„«]([^”"“»]{12,}?)[,.]?[”"“»]/u', $text, $found) === 1 ||
            preg_match('/(?<=[).,] )[‘\'](.{12,}?)[,.]?[’\'](?=[,.]? )/u', $text, $found) === 1;

        return $isQuoted && mb_strpos($text, $found[0]) > 3 ? $found[1] : null;
    }

    /** Kolbe, A., & Haas, M. (2004). Lamps in wards. Journal of Sleep, 3, 12–19. */
    private static function afterYear(string $text): ?string
    {
        $year = '(?:\((?:1[89]|20)\d\d[a-z]?(?:, [^)]{1,20})?\)|(?:1[89]|20)\d\d[a-z]?)[.,:]?\s+';
        if (preg_match("/^(.{4,400}?)[\s.,]{$year}(.{11,})$/us", $text, $found) !== 1 || ! self::areAuthors($found[1])) {
            return null;
        }

        return self::sentence($found[2]) ?? $found[2];
    }

    /** Kolbe A, Haas M. Lamps in wards. J Sleep. 2004;3(2):12-9. */
    private static function afterAuthors(string $text): ?string
    {
        $parts = preg_split('/(?<=\p{Lu}|al|\p{L}\.|editor|editors|Group|Team|Network|Consortium|Investigators|Collaborators)[.:]\s+(?=[\p{L}¿¡\[])/u', $text, 2) ?: [];

        return count($parts) === 2 && self::areAuthors($parts[0]) && preg_match(self::YEAR, $parts[1]) === 1
            ? self::sentence($parts[1], self::SHORT)
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
    private static function sentence(string $text, int $least = 11): ?string
    {
        return preg_match("/^(.{{$least},}?(?:\?|!|\.(?=\s|$)))(?=\s+\p{Lu}|\s*$|\s+\d)/us", $text, $found) === 1
            ? rtrim($found[1], '.')
            : null;
    }
}
