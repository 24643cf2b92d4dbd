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
        '~[<(\[]?(?:available (?:at|from|online):?\s*|retrieved (?:[^.;]{0,30})?from:?\s*)?'
            .'(?:(?:doi|URL):?\s*)?(?:https?\s?:\s?/\s?/\s?\S+|(?:(?:dx\.)?doi\.org/|doi:?\s*)?10\.\d{4,9}/[^\s>\]]+)[>\]]?~iu',
        '/\[(?:cited|accessed|updated|viewed|Internet|online)\b[^\]]*\]|\((?:accessed|cited|viewed)\b[^)]*\)/iu',
        '/\b(?:accessed|viewed|last accessed|zugriff am)(?: on)?:? [^.;]{0,20}\d{4}\.?/iu',
        '/\[(?:PubMed|letter|editorial|comment|abstract)\b[^\]]*\]/iu',
        '/\bPMC?(?:ID)?:? ?(?:PMC)?\d+[.;]?|\bISBN:? ?[\d-]+X?|\bEpub \d{4}[^.;]{0,12}[.;]?/iu',
    ];

    /** Behind a reference in a list: what became of it, where it is cited, what somebody remarks. */
    private const TAILS = [
        '/\b(?:Erratum|Retraction|Retracted|Comment|Corrected and republished|Update)(?: in| of| from| on):.*$/u',
        '/\((?:cit(?:ed)?\.? on|visited on|zit\. auf|besucht am)[^)]*\)/iu',
        '/\[(?:homepage|serial|monograph|database|Internet|about)[^\]]*\]/iu',
        '/\barXiv:\s?[\w.\/-]+(?:\s?\[[\w.-]+\])?|\b(?:url|mailto|eprint):?(?=\s|$)|\bmailto:\S+|\bCited in PubMed\b/iu',
        '/\b(?:Disponible (?:depuis|sur|en)|Verfügbar unter)\s?:?|(?<=\.)(?:\s\d{1,3},?)+\.?$/iu',
        '/(?<=\s)\[[^\]]{8,200}\]\s*$/u',
        '/(?<=\.)\s*Open access\.?\s*$|;\s*discussion (?:[A-Za-z]?\d+)(?:[-–]\d+)?(?=\.)|\bContract No\b.*$/iu',
    ];

    /** Kinds of works by letters, as the standard GB/T 7714 has them. */
    private const CODES = ['~\[[A-Z]{1,2}(?:/[A-Z]{2})?\]//~' => '. In: ', '~\[(?:[JMCDRNPSGAZ]|EB|DB|CP)(?:/[A-Z]{2})?\]~' => ''];

    /** Behind the names: “(2004).”, “(2004, March 3).”, “, 2004.”, “(in press).” */
    private const YEAR_AHEAD = '/^[\s.,]*(?:[(\[](?:c?\.?\s?|'.CitedNumbers::MONTH.'\s)(?<year>'.CitedNumbers::YEAR.')'
        .'[a-z]?\??(?:[,\/–-][^)\]]{1,20})?[)\]]'
        .'|(?:'.CitedNumbers::MONTH.'\s)?(?<bare>'.CitedNumbers::YEAR.')[a-z]?(?:\s[(\[]\d{4}[)\]])?(?=\s?[.,:]|\s\p{Lu}|\s[«“"„‘])'
        .'|\((?:n\. ?d\.|in press|forthcoming)\))[.,:]*\s*/u';

    /** “Lamps of the Ward, August 2009” */
    private const DATED = '/^(?<title>.{4,})[,;]\s(?:'.CitedNumbers::MONTH.'\s)?(?:\d{1,2},?\s)?'
        .'\(?(?<year>'.CitedNumbers::YEAR.')\)?$/u';

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

    /**
     * What a line tells that is known to be a reference, since it stands in a list of them: the most plausible of all
     * that it may say.
     *
     * @param  string  $form  of the names of most others in the list; empty where that is not known
     */
    public static function listed(string $line, string $form = ''): ?self
    {
        $line = trim((string) preg_replace(['/[\x{A0}\x{202F}]/u', CitedList::MARK], [' ', ''], trim($line)));
        if (strlen($line) > self::LONGEST) {
            return null;
        }
        $doi = Doi::all($line)[0] ?? '';
        $line = (string) preg_replace(array_keys(self::CODES), array_values(self::CODES), $line);
        $bare = trim((string) preg_replace([...self::NOISE, ...self::TAILS], ' ', $line), " \t,;");
        $unmarked = (string) preg_replace(CitedList::BARE_MARK, '', $bare);
        [$best, $most] = [null, PHP_INT_MIN];
        foreach (array_unique([$bare, $unmarked]) as $text) {
            foreach (self::readings($text, $doi) as $reading) {
                $points = Plausibility::of($reading) + Plausibility::ofStyle($reading->by?->form, $form);
                [$best, $most] = $points > $most ? [$reading, $points] : [$best, $most];
            }
        }

        return $best?->isReference() === true && $most > 0 ? $best : null;
    }

    /** A year alone stands in any sentence. */
    private function isReference(): bool
    {
        $isTold = $this->by !== null || $this->told?->isQuoted === true;

        return $this->told?->place !== null || $this->doi !== '' || ($this->year !== null && $isTold);
    }

    /** Whether a line can hardly be anything else: people, a year, and a place or a title in quotation marks. */
    public static function isLikely(string $line): bool
    {
        $read = self::listed($line);
        $arePeople = $read?->by !== null && ! in_array($read->by->form, ['body', 'issuer'], true);

        return $arePeople && $read->year !== null && ($read->told?->isQuoted === true || $read->told?->place !== null);
    }

    /** Whether names and a year in brackets begin it, as in no other sentence. */
    public static function isDated(string $line): bool
    {
        foreach (CitedNames::readings($line) as $form => $by) {
            $isBehind = preg_match('/^\s?\(/', $by->rest) === 1 && preg_match(self::YEAR_AHEAD, $by->rest) === 1;
            if ($isBehind && $form !== 'issuer') {
                return true;
            }
        }

        return false;
    }

    /** @return list<self> */
    private static function readings(string $text, string $doi): array
    {
        $readings = [];
        foreach (CitedNames::readings($text) as $by) {
            $dated = array_slice(iterator_to_array(self::dated($by->rest, $by, $doi), false), 0, 2);
            $readings = [...$readings, ...$dated, self::untitled($by, $doi)];
        }
        $unnamed = iterator_to_array(self::dated($text, null, $doi), false);

        return array_values(array_filter([...$readings, self::noted($text, $doi), ...$unnamed]));
    }

    /** A. Kolbe, M. Haas, J. Sleep 12, 345 (2004) */
    private static function untitled(CitedNames $by, string $doi): ?self
    {
        $rest = ltrim($by->rest, ' ,');
        $place = str_starts_with($by->rest, ',') ? CitedJournal::read(rtrim($rest, ' .')) : null;

        $isJournal = $place !== null && preg_match('/^[^,]{2,60}$/u', $place->journal) === 1;

        return $place === null || ! $isJournal || $place->volume === '' || $place->year === null
            ? null
            : new self('', $doi, $place->year, $by, CitedTitle::none($place));
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
        $isAhead = preg_match(self::YEAR_AHEAD, $by->rest) === 1;
        $read = self::dated($by->rest, $by, $doi)->current();
        $isTold = $by->areCertain || $read->told?->isQuoted === true || $read->told?->place !== null;

        return $isAhead || ($read->year !== null && $isTold) ? $read : null;
    }

    /**
     * Year and title of what stands behind the names, the likeliest first.
     *
     * @return \Generator<int, self> one at least
     */
    private static function dated(string $text, ?CitedNames $by, string $doi): \Generator
    {
        $isAhead = preg_match(self::YEAR_AHEAD, $text, $ahead) === 1;
        $rest = substr($text, strlen($ahead[0] ?? ''));
        $said = ($ahead['year'] ?? '').($ahead['bare'] ?? '');
        $mayEndAtComma = $by !== null && ! $isAhead && preg_match('/^\.?,/', $rest) === 1;

        foreach (CitedTitle::readings($rest, $mayEndAtComma) as $title) {
            $year = $said !== '' ? (int) $said : $title->place->year ?? self::yearIn($title->rest);
            $isDated = $year === null && preg_match(self::DATED, $title->title, $dated) === 1;

            yield $isDated
                ? new self($dated['title'], $doi, (int) $dated['year'], $by, $title)
                : new self($title->title, $doi, $year, $by, $title);
        }
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
        $year = '/(?<![\d\p{L}])c?(?<year>'.CitedNumbers::YEAR.')(?![\d\p{L}])/u';

        return preg_match($year, $text, $found) === 1 ? (int) $found['year'] : null;
    }
}
