<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\PublicationType;

/** A meeting: “Proceedings of the Night Congress; 2016 May 3-5; Lund. p. 44-9”, “Proc. Night Conf., Lund, 2006, pp. 1-4”. */
final class CitedMeeting
{
    private const WORDS = '/^[^;]{0,120}\b(?:proc|conf|symp|congr|meeting|workshop)/iu';

    /** The day that it began on, or its year, and what follows. */
    private const DAY = '/[;,.(]\s*(?:\d{1,2}[–-]?\d*\s)?(?:\p{L}{3,9}\.?\s)?(?:\d{1,2}[–-]?\d*,?\s)?'.CitedNumbers::YEAR.'.*$/u';

    /** Where it was, behind its name. */
    private const TOWN = '/^(?<name>.{8,}?)[,;.]\s(?<town>\p{Lu}[\p{L} -]+(?:,\s\p{Lu}[\p{L} ]+)?)$/u';

    public static function read(string $text): ?CitedPlace
    {
        if (preg_match(self::WORDS, $text) !== 1) {
            return null;
        }
        $pages = CitedBook::take(CitedBook::PAGES, $text) ?: CitedBook::take(CitedBook::BARE_PAGES, $text);
        preg_match('/\b'.CitedNumbers::YEAR.'\b/', $text, $year);
        $name = trim((string) preg_replace(self::DAY, '', $text), ' .,;');
        preg_match('/;\s(?<town>\p{Lu}[\p{L} -]+)/u', $text, $behind);
        $isParted = preg_match(self::TOWN, $name, $parts) === 1;

        return new CitedPlace(
            PublicationType::Conference,
            journal: $isParted ? $parts['name'] : $name,
            pages: $pages['pages'] ?? '',
            year: isset($year[0]) ? (int) $year[0] : null,
            place: $isParted ? $parts['town'] : trim($behind['town'] ?? ''),
        );
    }
}
