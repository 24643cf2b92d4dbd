<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Reads RIS record by record. A line without a tag continues the one before; a record ends at ER, at the next TY, or with the file.
 */
final class RisReader implements RecognisesItself, ReferenceReader
{
    public const LARGEST_RECORD = 2_097_152;

    private const TAG = '/^([A-Z][A-Z0-9]) {1,2}-(?: (.*)|)$/s';

    private const EXCERPT = 4000;

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])TY {1,2}- ?[A-Z]{2,6}\s/', $beginning."\n") === 1;
    }

    public function read($stream): iterable
    {
        $record = null;
        $stray = null;
        $anything = false;
        foreach (Lines::of($stream) as $number => $line) {
            $tag = preg_match(self::TAG, rtrim($line), $match) === 1 ? $match[1] : null;
            if ($tag === 'TY') {
                yield from $this->finished($record, $stray);
                $record = new RisRecord($number);
                $stray = null;
                $anything = true;
            }
            if ($record === null) {
                if (trim($line) !== '' && $tag !== 'ER') {
                    $stray = $stray === null ? [$number, $line] : [$stray[0], substr("{$stray[1]}\n{$line}", 0, self::EXCERPT)];
                }

                continue;
            }
            if ($tag === 'ER') {
                $record->keep($line);
                yield from $this->finished($record, $stray);
                $record = null;
                $stray = null;

                continue;
            }
            $record->keep($line);
            $tag === null ? $record->continue(trim($line)) : $record->add($tag, trim($match[2] ?? ''));
        }
        yield from $this->finished($record, $stray);
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
    }

    /**
     * @param  ?array{int, string}  $stray
     * @return \Generator<int, Reference|UnreadableRecord>
     */
    private function finished(?RisRecord $record, ?array $stray): \Generator
    {
        if ($stray !== null) {
            yield UnreadableRecord::strayText($stray[0], $stray[1]);
        }
        if ($record !== null) {
            yield $this->reference($record);
        }
    }

    private function reference(RisRecord $record): Reference|UnreadableRecord
    {
        if ($record->tooLarge) {
            return UnreadableRecord::tooLarge($record->line, self::LARGEST_RECORD, substr($record->source, 0, self::EXCERPT));
        }
        $type = $record->take(['TY']) ?? '';
        $year = null;
        foreach (RisTags::YEARS as $tag) {
            if (preg_match('/(?<!\d)(1[5-9]\d\d|20\d\d)(?!\d)/', $record->first($tag) ?? '', $match) === 1) {
                $year = (int) $match[1];
                break;
            }
        }
        $values = [];
        foreach (RisTags::SINGLE as $field => $tags) {
            $values[$field] = $record->take($tags) ?? '';
        }
        if ($values['title'] === '') {
            $values['title'] = $record->take(['BT', 'T2', 'T3']) ?? '';
        }
        if ($values['title'] === '') {
            return UnreadableRecord::withoutTitle($record->line, substr($record->source, 0, self::EXCERPT));
        }
        if ($values['doi'] !== '') {
            $values['doi'] = Doi::normalised($values['doi']) ?? $values['doi'];
        }
        // the code itself is kept where it says more than our type does
        $known = RisTags::type($type);
        $extra = $type === RisTags::code($known) ? [] : [['TY', $type]];

        return new Reference(
            ...$values,
            type: $known,
            authors: array_map(Name::inverted(...), $record->takeAll(RisTags::AUTHORS)),
            year: $year,
            urls: $record->takeAll(RisTags::URLS),
            keywords: $record->takeAll(RisTags::KEYWORDS),
            extra: [...$extra, ...$this->unlessYear($record->rest(), $year)],
            source: $record->source,
            line: $record->line,
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
        return array_values(array_filter($fields, fn (array $field): bool => ! in_array($field[0], RisTags::YEARS, true) || rtrim($field[1], '/') !== (string) $year));
    }
}
