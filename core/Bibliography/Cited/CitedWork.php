<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Doi;

/**
 * A work as a list of references or a mail names it, in whatever style: names, title and where it appeared told apart.
 * Where they cannot be, the whole line is its title.
 */
final readonly class CitedWork
{
    /** Where it is found, when somebody looked, what it is to a register: nothing of the work. */
    private const NOISE = [
        '~(?:available (?:at|from|online):?\s*|retrieved (?:[^.;]{0,30})?from:?\s*)?'
            .'(?:https?://\S+|(?:doi:?\s*)?10\.\d{4,9}/\S+)~iu',
        '/\[(?:cited|accessed|updated|viewed|Internet|online)\b[^\]]*\]|\((?:accessed|cited|viewed)\b[^)]*\)/iu',
        '/\b(?:accessed|viewed|last accessed|zugriff am)(?: on)?:? [^.;]{0,20}\d{4}\.?/iu',
        '/\[(?:PubMed|letter|editorial|comment|abstract)\b[^\]]*\]/iu',
        '/\bPMC?(?:ID)?:? ?(?:PMC)?\d+[.;]?|\bISBN:? ?[\d-]+X?|\bEpub \d{4}[^.;]{0,12}[.;]?/iu',
    ];

    /** Behind the names: “(2004).”, “(2004, March 3).”, “, 2004.”, “(in press).” */
    private const YEAR_AHEAD = '/^[\s.,]*(?:\(c?\.?\s?(?<year>'.CitedNumbers::YEAR.')[a-z]?(?:[,\/–-][^)]{1,20})?\)'
        .'|(?<bare>'.CitedNumbers::YEAR.')[a-z]?(?=[.,:]|\s\p{Lu})|\((?:n\. ?d\.|in press|forthcoming)\))[.,:]*\s*/u';

    /** Letters of the shortest line that may be a title. */
    private const SHORTEST = 11;

    /** Bytes of the longest reference; what is longer is prose. */
    private const LONGEST = 2000;

    private function __construct(
        public string $title,
        public string $doi = '',
        public ?int $year = null,
        public ?CitedNames $by = null,
        public ?CitedTitle $told = null,
    ) {
    }

    /** Whether its style is known, so that the title is no more than a title. */
    public function isTold(): bool
    {
        return $this->told !== null;
    }

    /** Null where a line says too little to find a work by. */
    public static function read(string $line): ?self
    {
        $line = trim((string) preg_replace(CitedList::MARK, '', trim($line)));
        $doi = Doi::all($line)[0] ?? '';
        $bare = trim((string) preg_replace(self::NOISE, ' ', $line), " \t,;");
        $unmarked = (string) preg_replace(CitedList::BARE_MARK, '', $bare);
        $told = self::told($bare, $doi) ?? ($unmarked === $bare ? null : self::told($unmarked, $doi));
        $title = trim($bare, " \t.,;:");

        return $told ?? ($doi === '' && mb_strlen($title) < self::SHORTEST ? null : new self($title, $doi));
    }

    /** Null where no names stand before a title, or no year anywhere. */
    private static function told(string $text, string $doi): ?self
    {
        if (strlen($text) > self::LONGEST) {
            return null;
        }
        $by = CitedNames::ahead($text);

        return $by === null ? self::noted($text, $doi) : self::by($by, $doi);
    }

    private static function by(CitedNames $by, string $doi): ?self
    {
        $isAhead = preg_match(self::YEAR_AHEAD, $by->rest, $ahead) === 1;
        $rest = substr($by->rest, strlen($ahead[0] ?? ''));
        $title = CitedTitle::read($rest, ! $isAhead && preg_match('/^\.?,/', $rest) === 1);
        $year = ($ahead['year'] ?? '').($ahead['bare'] ?? '');
        $year = $year !== '' ? (int) $year : $title->place->year ?? self::yearIn($title->rest);
        $isSure = $isAhead || ($year !== null && ($by->areCertain || $title->isQuoted || $title->place !== null));

        return $isSure ? new self($title->title, $doi, $year, $by, $title) : null;
    }

    /** Ken Ito, “Night Trains,” History of Work 14 (2003): 9; Ines Okafor, Lamps (Lund: Fen House, 2007), 55 */
    private static function noted(string $text, string $doi): ?self
    {
        $by = CitedNames::called($text);
        $title = $by === null ? null : CitedTitle::marked($by->rest);
        $year = $title?->place?->year;

        return $title === null || $year === null ? null : new self($title->title, $doi, $year, $by, $title);
    }

    private static function yearIn(string $text): ?int
    {
        $year = '/(?<![\d\p{L}])'.CitedNumbers::YEAR.'(?![\d\p{L}])/u';

        return preg_match($year, $text, $found) === 1 ? (int) $found[0] : null;
    }
}
