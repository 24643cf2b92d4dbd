<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Refer;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexNames;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\SaidType;
use WaryHeron\Core\Bibliography\Format\TaggedRecord;
use WaryHeron\Core\Bibliography\Format\TaggedRecords;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Keywords;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\StandardNumber;
use WaryHeron\Core\Bibliography\Year;

/**
 * Reads the databases of refer: a percent sign, a letter, the value; lines without go on. Empty lines part the records;
 * where each begins by %0, which says its kind, that alone does. Source: refer(1), groff 1.22, with what programs add.
 */
final class ReferReader implements RecognisesItself, ReferenceReader
{
    private const TAG = '/^%([A-Z0-9@!#$&*()+=?<>:;~^\[\]])(?: +(.*))?$/s';

    /** Two of the most common tags, so that a comment of another format is none. */
    private const PAIR = '/(?:^|[\r\n])%[ATJBD0] \S[^\r\n]*(?:[\r\n]+(?!%[A-Z0-9@] )[^\r\n]*)*[\r\n]+%[A-Z0-9@] /';

    private const SINGLE = [
        'volume' => ['V'],
        'issue' => ['N'],
        'publisher' => ['I'],
        'place' => ['C'],
        'series' => ['S'],
        'edition' => ['7'],
        'abstract' => ['X'],
        'language' => ['G'],
        'accession' => ['M'],
        'id' => ['L', 'F'],
    ];

    public function recognises(string $beginning): bool
    {
        return preg_match(self::PAIR, $beginning) === 1;
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $first = null;
        $begins = function (string $tag, bool $afterGap) use (&$first): bool {
            $first ??= $tag;

            return $first === '0' ? $tag === '0' : $afterGap;
        };
        foreach (TaggedRecords::of($stream, $reading, self::tagged(...), $begins, ['K', 'A', 'E']) as $record) {
            yield $this->reference($record);
        }
    }

    private static function tagged(string $line): ?SourceField
    {
        return preg_match(self::TAG, $line, $found) === 1 ? new SourceField($found[1], trim($found[2] ?? '')) : null;
    }

    private function reference(TaggedRecord $record): Reference|UnreadableRecord
    {
        if ($record->tooLarge) {
            return UnreadableRecord::tooLarge($record->line, $record->source);
        }
        $said = $record->take(['0']) ?? '';
        $type = $said === '' ? self::kind($record) : SaidType::of($said);
        $values = array_map(fn (array $tags): string => $record->take($tags) ?? '', self::SINGLE);
        $date = $record->take(['D']) ?? '';
        $day = $record->take(['8']) ?? '';
        $pages = Pages::of($record->take(['P']) ?? '');
        $numbers = StandardNumber::sorted($record->takeFields(['@']));
        $urls = $record->takeAll(['U']);
        $within = [$record->take(['J']), $record->take(['B'])];
        $reference = new Reference(
            type: $type,
            title: $record->take(['T', '!']) ?? '',
            authors: [...self::names($record->takeAll(['A'])), ...self::bodies($record->takeAll(['Q']))],
            editors: self::names($record->takeAll(['E'])),
            year: Year::of($date) ?? IssuedDate::read($date)?->year() ?? Year::of($day),
            date: self::date($date, $day),
            journal: $within[0] ?? $within[1] ?? '',
            firstPage: $pages->first,
            lastPage: $pages->last,
            doi: self::doi($record, $urls),
            urls: $urls,
            keywords: array_merge([], ...array_map(Keywords::split(...), $record->takeAll(['K']))),
            issn: $numbers->issn,
            isbn: $numbers->isbn,
            extra: [
                ...$within[0] !== null && $within[1] !== null ? [new SourceField('B', $within[1])] : [],
                ...$said === '' || $said === $type->value ? [] : [new SourceField('0', $said)],
                ...$numbers->left,
                ...$record->rest(),
            ],
            source: $record->source,
            line: $record->line,
        );

        return UnreadableRecord::unlessEmpty($reference->with($values), 'Add a %T line, or leave it out.');
    }

    /** Programs put a day beside the year. */
    private static function date(string $date, string $day): string
    {
        $isWhole = $day === '' || str_contains($date, ' ');

        return match (true) {
            $isWhole => $date,
            str_contains($day, $date) => $day,
            default => "{$day} {$date}",
        };
    }

    /** As refer itself tells kinds apart: by the fields that there are. */
    private static function kind(TaggedRecord $record): PublicationType
    {
        return match (true) {
            $record->has('J') => PublicationType::Article,
            $record->has('B') => PublicationType::Chapter,
            $record->has('R') => PublicationType::Report,
            $record->has('I') => PublicationType::Book,
            default => PublicationType::Other,
        };
    }

    /**
     * @param  list<string>  $given  each of one person, the given names first or behind a comma
     * @return list<Name>
     */
    private static function names(array $given): array
    {
        return array_merge([], ...array_map(fn (string $one): array => BibtexNames::read(rtrim($one, ' ,;')), $given));
    }

    /**
     * @param  list<string>  $given
     * @return list<Name>
     */
    private static function bodies(array $given): array
    {
        return array_map(fn (string $one): Name => new Name($one), $given);
    }

    /**
     * Reports have their number where others put their DOI.
     *
     * @param  list<string>  $urls
     */
    private static function doi(TaggedRecord $record, array $urls): string
    {
        $doi = Doi::normalised($record->first('R') ?? '');
        if ($doi !== null) {
            $record->take(['R']);
        }

        return Doi::named($doi ?? '', $urls);
    }
}
