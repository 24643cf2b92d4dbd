<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;

/** Where a work appeared, as references print it behind the title. */
final readonly class CitedPlace
{
    /** @param  list<Name>  $editors  of the book that it stands in */
    public function __construct(
        public PublicationType $type,
        public string $journal = '',
        public string $volume = '',
        public string $issue = '',
        public string $pages = '',
        public ?int $year = null,
        public string $place = '',
        public string $publisher = '',
        public array $editors = [],
    ) {
    }

    public static function unknown(): self
    {
        return new self(PublicationType::Other);
    }

    /** Null where a text is nothing of the kind. */
    public static function read(string $text): ?self
    {
        $text = trim($text, " \t.,;");
        $pages = '/^(?:Pages?|[Pp]p?\.?|S\.)\s(?<pages>\w+(?:[-–]\w+)?),? [Ii]n:?\s/u';
        if (preg_match($pages, $text, $ahead) === 1) {
            return CitedBook::around(substr($text, strlen($ahead[0])).", pp. {$ahead['pages']}");
        }
        if (preg_match('/^(?:(?:in|dans|en):?|(?:paper )?presented at:?(?: the)?)\s+(?=\S)/iu', $text, $in) === 1) {
            return self::within(substr($text, strlen($in[0])));
        }
        $meeting = '/^(?:(?:Pages?|pp?\.)\s[\w–-]+\s)?(?:Proceedings|Proc\.|Abstracts) (?:of|from)\b/u';
        if (preg_match($meeting, $text) === 1) {
            return CitedMeeting::read($text);
        }

        return CitedJournal::read($text) ?? CitedBook::read($text);
    }

    /** What stands behind “In:”. */
    private static function within(string $text): ?self
    {
        $journal = CitedJournal::read($text);

        return CitedMeeting::read($text)
            ?? ($journal?->volume !== '' ? $journal : null)
            ?? CitedBook::around($text)
            ?? $journal;
    }
}
