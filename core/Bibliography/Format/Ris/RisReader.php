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
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\StandardNumber;
use WaryHeron\Core\Bibliography\Year;

/**
 * Reads RIS record by record. A line without a tag continues the one before. A record ends at ER, at the next TY, or
 * with the file; tags that stand before their TY belong to it.
 */
final class RisReader implements RecognisesItself, ReferenceReader
{
    /** Behind two blanks and the dash the blank may be missing; with one, "T2 -weighted" is a word. */
    private const TAG = '/^([A-Z][A-Z0-9])(?:  -| -(?: |$))(.*)$/s';

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])TY {1,2}-(?: ?[A-Z]{2,6})?\s/', $beginning."\n") === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $record = null;
        $stray = null;
        $anything = false;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            $tag = preg_match(self::TAG, rtrim($line), $match) === 1 ? $match[1] : null;
            if ($tag === 'TY') {
                $anything = true;
                if ($record?->has('TY') === true) {
                    yield $this->reference($record);
                    $record = null;
                }
            }
            if ($record === null) {
                if ($tag === null || $tag === 'ER') {
                    if (trim($line) !== '' && $tag === null) {
                        $stray ??= new TaggedRecord($number);
                        $stray->keep($line);
                    }

                    continue;
                }
                if ($stray !== null) {
                    yield UnreadableRecord::strayText($stray->line, $stray->source, 'a TY line');
                    $stray = null;
                }
                $record = new TaggedRecord($number);
            }
            $record->keep($line);
            if ($tag === 'ER') {
                yield $this->reference($record);
                $record = null;
            } elseif ($tag === null) {
                $record->continue(trim($line));
            } else {
                $record->add($tag, trim($match[2] ?? ''));
            }
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
        if ($stray !== null) {
            yield UnreadableRecord::strayText($stray->line, $stray->source, 'a TY line');
        }
        if ($record !== null) {
            yield $this->reference($record);
        }
    }

    private function reference(TaggedRecord $record): Reference|UnreadableRecord
    {
        if ($record->tooLarge) {
            return UnreadableRecord::tooLarge($record->line, $record->source);
        }
        $type = $record->take(['TY']) ?? '';
        $year = null;
        foreach (RisTags::YEARS as $tag) {
            $year ??= Year::of($record->first($tag) ?? '') ?? IssuedDate::read($record->first($tag) ?? '')?->year();
        }
        $known = RisTags::type($type);
        $series = $known === PublicationType::Book ? $record->take(RisTags::SERIES_OF_BOOKS) ?? '' : '';
        $values = array_map(fn (array $tags): string => $record->take($tags) ?? '', RisTags::SINGLE);
        $values['series'] = $series !== '' ? $series : $values['series'];
        if ($values['title'] === '') {
            $values['title'] = $record->take(['BT', 'T2', 'T3']) ?? '';
        }
        if ($values['doi'] !== '') {
            $values['doi'] = Doi::normalised($values['doi']) ?? $values['doi'];
        }
        if ($values['lastPage'] === '' && $values['firstPage'] !== '') {
            [$values['firstPage'], $values['lastPage']] = Pages::split($values['firstPage']);
        }
        [$values['issn'], $values['isbn'], $numbers] = StandardNumber::sorted($record->takeFields(RisTags::NUMBERS));
        // the code itself is kept where it says more than our type does
        $extra = $type === '' || $type === RisTags::code($known) ? [] : [['TY', $type]];

        return UnreadableRecord::unlessIdentified(
            new Reference(
                ...$values,
                type: $known,
                authors: array_map(Name::inverted(...), $record->takeAll(RisTags::AUTHORS)),
                editors: array_map(Name::inverted(...), $record->takeAll(RisTags::EDITORS)),
                year: $year,
                urls: $record->takeAll(RisTags::URLS),
                keywords: $record->takeAll(RisTags::KEYWORDS),
                extra: [...$extra, ...$numbers, ...$this->unlessYear($record->rest(), $year)],
                source: $record->source,
                line: $record->line,
            ),
            'Add a TI line, or leave it out.',
        );
    }

    /**
     * The bare year beside a full date says nothing more.
     *
     * @param  list<array{string, string}>  $fields
     * @return list<array{string, string}>
     */
    private function unlessYear(array $fields, ?int $year): array
    {
        return array_values(
            array_filter(
                $fields,
                fn (array $field): bool => ! in_array($field[0], RisTags::YEARS, true) ||
                    rtrim($field[1], '/') !== (string) $year,
            ),
        );
    }
}
