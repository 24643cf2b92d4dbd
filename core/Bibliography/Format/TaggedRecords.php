<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\SourceField;

/** @internal Cuts a file of tagged lines into records. Lines without a tag go on, or belong to none and are told so. */
final class TaggedRecords
{
    /**
     * @param  resource  $stream
     * @param  \Closure(string): ?SourceField  $tagged  tag and value of a line; null where it has none
     * @param  \Closure(string, bool): bool  $begins  whether a tag begins a record, also by an empty line before it
     * @param  list<string>  $oneALine  tags below which a line without one is another value
     * @return \Generator<int, TaggedRecord>
     *
     * @throws UnusableFile If no line has a tag.
     */
    public static function of(
        $stream,
        Reading $reading,
        \Closure $tagged,
        \Closure $begins,
        array $oneALine = [],
    ): \Generator {
        $record = null;
        $afterGap = $isOutside = $anything = false;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            if (trim($line) === '') {
                $afterGap = true;

                continue;
            }
            $field = $tagged($line);
            if ($field !== null && $begins($field->tag, $afterGap) && $record !== null) {
                yield $record;
                $record = null;
            }
            $afterGap = false;
            if ($record === null && $field === null) {
                $isOutside || $reading->leaveOut($number, $line);
                $isOutside = true;

                continue;
            }
            [$isOutside, $anything] = [false, true];
            $record ??= new TaggedRecord($number);
            $record->keep($line);
            $field === null ? $record->continue(trim($line), $oneALine) : $record->add($field->tag, $field->value);
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
        if ($record !== null) {
            yield $record;
        }
    }
}
