<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\TaggedRecord;
use WaryHeron\Core\Bibliography\Format\TaggedRecords;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;
use WaryHeron\Core\Bibliography\Year;

/**
 * Reads tagged text: a tag of four places, a hyphen, the value; indented lines go on. A record starts at PMID, or after
 * an empty line.
 */
final class NbibReader implements RecognisesItself, ReferenceReader
{
    private const TAG = '/^([A-Z][A-Z0-9]{1,3}) {0,2}- ?(.*)$/s';

    /** Some count their records. */
    private const NUMBERED = '/^\d+[:.] *(?=PMID ?-)/';

    /** What stands beside a title in such a file. */
    private const ANOTHER = '/(?:^|[\r\n])(?:F?AU|DP|DA|JT|TA|AB|UI|SO|PT|LA|IS|VI|PG|PY|OWN|STAT|MH|OT) {0,2}- /';

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])(?:\d+[:.] *)?PMID ?- ?\d/', $beginning) === 1 ||
            (preg_match('/(?:^|[\r\n])TI {0,2}- /', $beginning) === 1 && preg_match(self::ANOTHER, $beginning) === 1);
    }

    public function read($stream, Reading $reading = new Reading()): iterable
    {
        $begins = fn (string $tag, bool $afterGap): bool => $tag === 'PMID' || $afterGap;
        foreach (TaggedRecords::of($stream, $reading, self::tagged(...), $begins) as $record) {
            yield $this->reference($record);
        }
    }

    private static function tagged(string $line): ?SourceField
    {
        $bare = rtrim((string) preg_replace(self::NUMBERED, '', $line));

        return preg_match(self::TAG, $bare, $match) === 1 ? new SourceField($match[1], trim($match[2])) : null;
    }

    private function reference(TaggedRecord $record): Reference|UnreadableRecord
    {
        if ($record->tooLarge) {
            return UnreadableRecord::tooLarge($record->line, $record->source);
        }
        $take = fn (string $tag): string => $record->take([$tag]) ?? '';
        $issn = $take('IS');
        $kinds = $record->takeAll(['PT']);
        $type = $this->type($kinds);
        // where they say no more than the type they are not kept
        $kinds = $kinds === [NbibKinds::kind($type)] ? [] : $kinds;
        $keywords = $record->takeFields(['OT', 'MH']);
        $urls = $record->takeAll(['URL', 'UR']);

        return UnreadableRecord::unlessEmpty(
            new Reference(
                ...[...self::titles($record), ...self::plain($take)],
                type: $type,
                authors: $this->people($record, ['FAU', 'AU', 'CN']),
                editors: $this->people($record, ['FED', 'ED', 'CED']),
                doi: Doi::named($this->doi($record), $urls),
                urls: $urls,
                keywords: array_column($keywords, 'value'),
                issn: self::bare($issn),
                isbn: self::bare($take('ISBN')),
                extra: [
                    ...self::bare($issn) === $issn ? [] : [new SourceField('IS', $issn)],
                    ...array_values(array_filter($keywords, fn (SourceField $one): bool => $one->tag === 'MH')),
                    ...array_map(fn (string $kind): SourceField => new SourceField('PT', $kind), $kinds),
                    ...$record->rest(),
                ],
                source: $record->source,
                line: $record->line,
            ),
            'Add a TI line, or leave it out.',
        );
    }

    /** @return array{title: string, journal: string, journalShort: string} */
    private static function titles(TaggedRecord $record): array
    {
        $take = fn (string $tag): string => $record->take([$tag]) ?? '';
        [$title, $book] = [$take('TI'), $take('BTI')];
        [$title, $book] = $title === '' ? [$book !== '' ? $book : $take('TT'), ''] : [$title, $book];
        $journal = $record->take(['JT']);
        $short = $take('TA');

        return [
            'title' => $title,
            'journal' => $journal ?? ($book !== '' ? $book : $short),
            'journalShort' => $journal === null && $book === '' ? '' : $short,
        ];
    }

    /**
     * What a reference takes from its line as it stands, and what follows from that.
     *
     * @param  \Closure(string): string  $take
     * @return array{year: ?int, date: string, volume: string, issue: string, firstPage: string, lastPage: string,
     *     abstract: string, language: string, publisher: string, place: string, series: string, edition: string,
     *     accession: string, id: string}
     */
    private static function plain(\Closure $take): array
    {
        $date = $take('DP');
        $date = $date === '' ? $take('DEP') : $date;
        $pages = Pages::of($take('PG'));

        return [
            'year' => Year::of($date) ?? IssuedDate::read($date)?->year(),
            'date' => $date,
            'volume' => $take('VI'),
            'issue' => $take('IP'),
            'firstPage' => $pages->first,
            'lastPage' => $pages->last,
            'abstract' => $take('AB'),
            'language' => $take('LA'),
            'publisher' => $take('PB'),
            'place' => $take('PL'),
            'series' => $take('CTI'),
            'edition' => $take('EN'),
            'accession' => $take('AN'),
            'id' => $take('PMID'),
        ];
    }

    /** A number without the word for what it is of: “1234-5679 (Print)”. */
    private static function bare(string $number): string
    {
        return (string) preg_replace('/^(.*\S) \(.+\)$/', '$1', $number);
    }

    /**
     * @param  array{string, string, string}  $tags  of full names, short ones and bodies
     * @return list<Name> full names where they are given; the short form beside one says nothing more
     */
    private function people(TaggedRecord $record, array $tags): array
    {
        $people = [];
        $full = $short = null;
        foreach ($record->takeFields($tags) as $field) {
            [$tag, $text] = [$field->tag, $field->value];
            if ($tag === $tags[1] && $full !== null) {
                $full = null;

                continue;
            }
            $full = $tag === $tags[0] ? $text : null;
            $name = match ($tag) {
                $tags[0] => self::suffixed($text, Name::inverted(...)),
                $tags[1] => self::suffixed($text, Name::indexed(...)),
                default => new Name($text),
            };
            if ($full !== null && $short !== null && $name->short() === $short) {
                array_pop($people);
            }
            $short = $tag === $tags[1] ? $name->short() : null;
            $people[] = $name;
        }

        return $people;
    }

    /** @param  \Closure(string): Name  $read */
    private static function suffixed(string $text, \Closure $read): Name
    {
        if (preg_match('/^(.+\S) (Jr|Sr|II|III|IV|2nd|3rd|4th)\.?$/', trim($text), $parts) !== 1) {
            return $read($text);
        }
        $name = $read($parts[1]);

        return $name->suffix === '' ? new Name($name->family, $name->given, $parts[2]) : $name;
    }

    private function doi(TaggedRecord $record): string
    {
        $found = '';
        foreach ($record->takeFields(['LID', 'AID', 'DO']) as $field) {
            [$tag, $value] = [$field->tag, $field->value];
            $doi =
                $tag === 'DO' || str_ends_with(strtolower($value), '[doi]')
                    ? Doi::normalised((string) preg_replace('/\s*\[doi\]$/i', '', $value))
                    : null;
            if ($doi !== null && ($found === '' || $found === $doi)) {
                $found = $doi;
            } else {
                $record->add($tag, $value);
            }
        }

        return $found;
    }

    /** @param  list<string>  $kinds */
    private function type(array $kinds): PublicationType
    {
        $type = null;
        foreach ($kinds as $kind) {
            $type ??= NbibKinds::type($kind);
        }

        return $type ?? PublicationType::Article;
    }
}
