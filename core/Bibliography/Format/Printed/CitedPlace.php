<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\PublicationType;

/** Where a work appeared, as lists of references print it behind the title: what is known of it is told apart. */
final readonly class CitedPlace
{
    private const PAGES = '(?:pp?\.? ?)?(?<pages>[A-Za-z]{0,3}\d+(?: ?[-–—] ?[A-Za-z]{0,3}\d+)?)';

    /** Styles, each from the beginning of what stands behind the title. */
    private const JOURNALS = [
        // J Night Sleep. 2004;3(2):12-9
        '/^(?<journal>\D[^;:]*?)[.,]? ?(?:1[89]|20)\d\d[^;:]{0,20};\s*(?<volume>[A-Za-z]?\d+\w?)?\s*(?:\((?<issue>[^)]{1,20})\))?\s*:\s*PAGES/u',
        // Journal of Sleep 3 (2004): 12–19; Journal of Sleep 3, no. 2 (2004): 12–19
        '/^(?<journal>\D[^;:]*?),? (?<volume>\d+)(?:, no\. ?(?<issue>\w+))? \([^)]*\d{4}\): ?PAGES/u',
        // Journal of Sleep, 3(2), 12–19; J. Sleep, vol. 3, no. 2, pp. 12-19, 2004
        '/^(?<journal>\D[^;:]*?),? (?:vol\. ?)?(?<volume>(?!(?:1[89]|20)\d\d\b)\d+)(?: ?\((?<issue>[^)]{1,20})\)|, no\. ?(?<issue2>\w+))?, ?PAGES/iu',
    ];

    /** In: Proceedings of the Night, Lund, 2006, pp. 1-4 */
    private const WITHIN = '/^in:? (?<journal>\D{8,}?)(?:[,.] (?:1[89]|20)\d\d)?[,.:] ?PAGES\b/iu';

    /** Lund: Fen House; 2011 */
    private const BOOK = '/^(?:[^:;]{0,40}\.\s+)?(?<place>\p{Lu}[\p{L} .,-]{1,40}): (?<publisher>[^;:,]{2,80})[;,.]\s*(?:1[89]|20)\d\d/u';

    /** @param  string  $rest  what could not be told apart */
    private function __construct(
        public string $journal = '',
        public string $volume = '',
        public string $issue = '',
        public string $pages = '',
        public string $place = '',
        public string $publisher = '',
        public string $rest = '',
        public PublicationType $type = PublicationType::Article,
    ) {
    }

    public static function of(string $text): self
    {
        foreach (self::JOURNALS as $pattern) {
            $found = self::found($pattern, $text);
            if ($found !== []) {
                return new self(
                    journal: trim($found['journal'], ' .,'),
                    volume: $found['volume'],
                    issue: $found['issue'].($found['issue2'] ?? ''),
                    pages: $found['pages'],
                );
            }
        }
        $book = self::found(self::BOOK, $text);

        return self::within($text) ?? ($book !== []
            ? new self(place: trim($book['place']), publisher: trim($book['publisher']), type: PublicationType::Book)
            : new self(rest: trim($text, ' .'), type: PublicationType::Other));
    }

    private static function within(string $text): ?self
    {
        $found = self::found(self::WITHIN, $text);
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
        $fits = preg_match(str_replace('PAGES', self::PAGES, $pattern), $text, $found, PREG_UNMATCHED_AS_NULL) === 1;

        return $fits ? array_map(strval(...), array_filter($found, is_string(...), ARRAY_FILTER_USE_KEY)) : [];
    }
}
