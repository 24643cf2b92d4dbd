<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\TaggedRecord;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\NameList;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\StandardNumber;
use WaryHeron\Core\Bibliography\Year;

/**
 * Reads RIS record by record. A line without a tag continues the one before. A record ends at ER, at the next TY, or
 * with the file; tags that stand before their TY belong to it.
 */
final class RisReader implements RecognisesItself, ReferenceReader
{
    /** Behind two blanks and the dash the blank may be missing; with one, "T2 -weighted" is a word. */
    private const TAG = '/^([A-Z][A-Z0-9])(?:(?:  |\t ?)(?:-|–|—)| (?:-|–|—)(?: |$))(.*)$/s';

    private const BEGINNING = '/(?:^|[\r\n])[ \t]*TY(?:(?: {1,2}|\t ?)(?:-|–|—)(?:[ \t]{0,2}[A-Z]{2,6})?|-[ \t]?[A-Z]{3,6})\s/i';

    private const FIRST = '/^([ \t]*)(TY)(?: {1,2}|\t ?)(?:-|–|—)/i';

    /** A file whose first line has no blank before the dash has none before any. */
    private const CLOSE = '/^[ \t]*TY-[ \t]?[A-Z]{3,6}\s*$/i';

    /** “T2-weighted” is a word there, too. */
    private const CLOSE_TAG = '/^(TY|ER|ID|AU|A[1-4]|ED|TI|T[1-3]|CT|BT|J[AFO12]|AB|N[12]|KW|PY|Y[12]|DA|VL|IS|SP|EP|SN|BN|DO|DI|UR|L[1-4K]'
        .'|LA|PB|PP|CY|AD|AN|ET|DB|DP|C[1-8]|M[1-3]|U[1-5]|SE|RP|AV|ST|TT|CN|CA|RN|NV|OP|SV|PA)-(?!weighted)(.*)$/s';

    /** Blanks that pages put in the place of plain ones, and such as nobody sees. */
    private const HARD = ["\u{A0}", "\u{200B}"];

    private const SOFT = [' ', ''];

    /** Some leave the dash away where nothing follows it. */
    private const BARE_END = '/^ER *$/';

    /** Values that nobody breaks across lines: a line without a tag below one is another of them. */
    private const ONE_A_LINE = [...RisTags::AUTHORS, ...RisTags::EDITORS, ...RisTags::KEYWORDS];

    public function recognises(string $beginning): bool
    {
        $beginning = str_replace(self::HARD, self::SOFT, $beginning);

        return preg_match(self::BEGINNING, $beginning."\n") === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $record = null;
        $isOutside = false;
        $anything = false;
        [$pattern, $indent] = [self::TAG, ''];
        foreach (Lines::of($stream, $reading) as $number => $line) {
            if (! $anything && preg_match(self::CLOSE, $line) === 1) {
                $pattern = self::CLOSE_TAG;
            } elseif (! $anything && preg_match(self::FIRST, $line, $first) === 1) {
                // a file that indents one tag, or writes it in small letters, does so with all
                $indent = $first[1];
                $pattern .= $first[2] === 'TY' ? '' : 'i';
            }
            $line = $indent !== '' && str_starts_with($line, $indent) ? substr($line, strlen($indent)) : $line;
            $read = self::tag($pattern, $line);
            [$tag, $value] = [$read->tag, $read->value];
            if ($tag === 'TY') {
                $anything = true;
                if ($record?->has('TY') === true) {
                    yield from $this->references($record);
                    $record = null;
                }
            }
            if ($record === null && ($tag === null || $tag === 'ER')) {
                if ($tag === null && trim($line) !== '') {
                    $isOutside || $reading->leaveOut($number, $line);
                    $isOutside = true;
                }

                continue;
            }
            $isOutside = false;
            $record ??= new TaggedRecord($number);
            $record->keep($line);
            if ($tag === 'ER') {
                yield from $this->references($record);
                $record = null;
            } elseif ($tag === null) {
                $record->continue(trim($line), self::ONE_A_LINE);
            } else {
                $record->add($tag, $value);
            }
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
        if ($record !== null) {
            yield from $this->references($record);
        }
    }

    private static function tag(string $pattern, string $line): RisLine
    {
        $head = substr($line, 0, 12);
        $isPlain = strpbrk($head, "\xC2\xE2") === false;
        $line = rtrim($isPlain ? $line : str_replace(self::HARD, self::SOFT, $head).substr($line, 12));
        if (preg_match($pattern, $line, $match) === 1) {
            return new RisLine(strtoupper($match[1]), trim($match[2]));
        }

        return new RisLine(preg_match(self::BARE_END, $line) === 1 ? 'ER' : null, '');
    }

    /** @return list<Reference|UnreadableRecord> none of a TY that stands there twice */
    private function references(TaggedRecord $record): array
    {
        return $record->isOnly('TY') ? [] : [$this->reference($record)];
    }

    private function reference(TaggedRecord $record): Reference|UnreadableRecord
    {
        if ($record->tooLarge) {
            return UnreadableRecord::tooLarge($record->line, $record->source);
        }
        $type = $record->take(['TY']) ?? '';
        $year = self::year($record);
        $known = RisTags::type($type);
        $values = self::values($record, $known);
        $urls = $record->takeAll(RisTags::URLS);
        $elsewhere = array_map(fn (string $tag): string => $record->first($tag) ?? '', RisTags::ALSO_DOI);
        $numbers = StandardNumber::sorted($record->takeFields(RisTags::NUMBERS));
        // the code itself is kept where it says more than our type does
        $extra = $type === '' || $type === RisTags::code($known) ? [] : [new SourceField('TY', $type)];

        $reference = Reference::of([
            ...$values,
            'type' => $known,
            'authors' => NameList::inverted($record->takeAll(RisTags::AUTHORS)),
            'editors' => NameList::inverted($record->takeAll(RisTags::EDITORS)),
            'year' => $year,
            'doi' => Doi::named($values['doi'], [...$urls, ...$elsewhere]),
            'urls' => $urls,
            'keywords' => $record->takeAll(RisTags::KEYWORDS),
            'issn' => $numbers->issn,
            'isbn' => $numbers->isbn,
            'extra' => [...$extra, ...$numbers->left, ...$this->unlessYear($record->rest(), $year)],
            'source' => $record->source,
            'line' => $record->line,
        ]);

        return UnreadableRecord::unlessEmpty($reference, 'Add a TI line, or leave it out.');
    }

    private static function year(TaggedRecord $record): ?int
    {
        $year = null;
        foreach (RisTags::YEARS as $tag) {
            $year ??= Year::of($record->first($tag) ?? '') ?? IssuedDate::read($record->first($tag) ?? '')?->year();
        }

        return $year;
    }

    /** @return array<string, string> what stands once in a record */
    private static function values(TaggedRecord $record, PublicationType $type): array
    {
        $series = $type === PublicationType::Book ? $record->take(RisTags::SERIES_OF_BOOKS) ?? '' : '';
        $values = array_map(fn (array $tags): string => $record->take($tags) ?? '', RisTags::SINGLE);
        $values['series'] = $series !== '' ? $series : $values['series'];
        if ($values['title'] === '') {
            $values['title'] = $record->take(['BT', 'T2', 'T3']) ?? '';
        }
        if ($values['lastPage'] === '' && $values['firstPage'] !== '') {
            $pages = Pages::of($values['firstPage']);
            [$values['firstPage'], $values['lastPage']] = [$pages->first, $pages->last];
        }

        return $values;
    }

    /**
     * The bare year beside a full date says nothing more.
     *
     * @param  list<SourceField>  $fields
     * @return list<SourceField>
     */
    private function unlessYear(array $fields, ?int $year): array
    {
        return array_values(
            array_filter(
                $fields,
                fn (SourceField $field): bool => ! $field->isOne(...RisTags::YEARS) ||
                    rtrim($field->value, '/') !== (string) $year,
            ),
        );
    }
}
