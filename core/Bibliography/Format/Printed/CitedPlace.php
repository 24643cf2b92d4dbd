<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\PublicationType;

/** Where a work appeared, as lists of references print it behind the title: what is known of it is told apart. */
final readonly class CitedPlace
{
    private const PAGES = '(?:(?:pp?|Art(?:icle)?(?: no)?)\.? ?|S\. ?)?(?<pages>[A-Za-z]{0,3}\d+(?: ?[-–—] ?[A-Za-z]{0,3}\d+)?)';

    private const YEAR = '(?:1[89]|20)\d\d';

    /** Styles, each from the beginning of what stands behind the title. */
    private const JOURNALS = [
        // J Night Sleep. 2004;3(2):12-9
        '/^(?<journal>\D[^;:]*?)[.,]? ?YEAR[^;:]{0,30};\s*(?<volume>[A-Za-z]?\d+\w?)?\s*(?:\((?<issue>[^)]{1,20})\))?\s*:\s*PAGES/u',
        // Journal of Sleep 3 (2004): 12–19; Journal of Sleep 3, no. 2 (2004): 12–19
        '/^(?<journal>\D[^;:]*?),? (?<volume>\d+)(?:, no\. ?(?<issue>\w+))? \([^)]*\d{4}\): ?PAGES/u',
        // J Sleep 3:12–19; Journal of Sleep 3 (2): 12–19
        '/^(?<journal>\D[^;:]*?),? (?<volume>\d+) ?(?:\((?<issue>[^)]{1,20})\))?: ?PAGES/u',
        // Journal of Sleep, 3(2), 12–19; J. Sleep, vol. 3, no. 2, 2004, pp. 12-19; J. Sleep 2004, 3 (2), 12–19
        '/^(?<journal>\D[^;:]*?),? (?:vol\. ?)?(?<volume>(?!YEAR\b)\d+)(?: ?\((?<issue>[^)]{1,20})\)|, no\. ?(?<issue2>\w+))?'
            .'(?:, YEAR)?, ?PAGES/iu',
    ];

    /** In: Proceedings of the Night, Lund, 2006, pp. 1-4 */
    private const WITHIN = '/^in:? (?<journal>\D{8,}?)(?:[,.] YEAR)?[,.:] ?PAGES\b/iu';

    /** In: Proceedings of the Night; 2006 May 3-5; Lund. p. 1-4 */
    private const MEETING = '/^in:? (?<journal>[^;.]{8,200}); .{0,200}?\bpp?\. ?PAGES\b/iu';

    /** In: Okafor I, editor. Rotas. Lund: Fen House; 2011. p. 3-9; In I. Okafor (Ed.), Rotas (pp. 3–9). Fen House */
    private const CHAPTER = '/^in:? (?<editors>.{3,200}?),? \(?eds?(?:itors?)?\.?\)?[.,] (?<journal>.{5,200}?)(?= \(|\. )(?<behind>.*)$/iu';

    /** Lund: Fen House; 2011 */
    private const BOOK = '/^(?:[^:;]{0,40}\.\s+)?(?<place>\p{Lu}[\p{L} .,-]{1,40}): (?<publisher>[^;:,]{2,80})[;,.]\s*YEAR/u';

    /** @param  string  $rest  what could not be told apart */
    private function __construct(
        public string $journal = '',
        public string $volume = '',
        public string $issue = '',
        public string $pages = '',
        public string $place = '',
        public string $publisher = '',
        public string $rest = '',
        public string $editors = '',
        public PublicationType $type = PublicationType::Article,
    ) {
    }

    public static function of(string $text): self
    {
        foreach (self::JOURNALS as $pattern) {
            $found = self::found($pattern, $text);
            if ($found !== []) {
                return new self(
                    journal: self::withoutYear($found['journal']),
                    volume: $found['volume'],
                    issue: $found['issue'].($found['issue2'] ?? ''),
                    pages: $found['pages'],
                );
            }
        }

        return self::chapter($text) ?? self::within($text) ?? self::book($text) ?? new self(
            rest: trim($text, ' .'),
            type: PublicationType::Other,
        );
    }

    private static function book(string $text): ?self
    {
        $book = self::found(self::BOOK, $text);

        return $book === []
            ? null
            : new self(place: trim($book['place']), publisher: trim($book['publisher']), type: PublicationType::Book);
    }

    private static function chapter(string $text): ?self
    {
        $found = self::found(self::CHAPTER, $text);
        if ($found === []) {
            return null;
        }
        $behind = ltrim($found['behind'], ' .');
        $book = self::book($behind);

        return new self(
            journal: $found['journal'],
            pages: self::found('/\bpp?\. ?PAGES/u', $behind)['pages'] ?? '',
            place: $book->place ?? '',
            publisher: $book->publisher ?? '',
            editors: $found['editors'],
            type: PublicationType::Chapter,
        );
    }

    private static function withoutYear(string $journal): string
    {
        $bare = (string) preg_replace('/[ .,]+'.self::YEAR.'$/', '', trim($journal, ' .,'));

        return trim($bare, ' ,');
    }

    private static function within(string $text): ?self
    {
        $found = self::found(self::WITHIN, $text) ?: self::found(self::MEETING, $text);
        if ($found === []) {
            return null;
        }
        $isMeeting = preg_match('/\b(?:proc|conf|symp|congr|meeting|workshop)/i', $found['journal']) === 1;

        return new self(
            journal: trim($found['journal'], ' .,'),
            pages: $found['pages'],
            type: $isMeeting ? PublicationType::Conference : PublicationType::Chapter,
        );
    }

    /** @return array<string, string> by name; none where it does not fit */
    private static function found(string $pattern, string $text): array
    {
        $fits = preg_match(
            strtr($pattern, ['PAGES' => self::PAGES, 'YEAR' => self::YEAR]),
            $text,
            $found,
            PREG_UNMATCHED_AS_NULL,
        ) === 1;

        return $fits ? array_map(strval(...), array_filter($found, is_string(...), ARRAY_FILTER_USE_KEY)) : [];
    }
}
