<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Lines;
use WaryHeron\Core\Bibliography\Format\Reading;
use WaryHeron\Core\Bibliography\Format\RecognisesItself;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\TaggedRecord;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Pages;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\Year;

/** Reads tagged text: a tag of four places, a hyphen, the value; indented lines go on. A record starts at PMID, or after an empty line. */
final class NbibReader implements RecognisesItself, ReferenceReader
{
    private const TAG = '/^([A-Z][A-Z0-9]{1,3}) {0,2}- ?(.*)$/s';

    public function recognises(string $beginning): bool
    {
        return preg_match('/(?:^|[\r\n])PMID ?- /', $beginning) === 1
            || (preg_match('/(?:^|[\r\n])TI  - /', $beginning) === 1 && preg_match('/(?:^|[\r\n])(?:F?AU {1,2}|DP  |JT  |TA  |AB  )- /', $beginning) === 1);
    }

    public function read($stream, Reading $reading = new Reading): iterable
    {
        $record = null;
        $stray = null;
        $afterGap = true;
        $anything = false;
        foreach (Lines::of($stream, $reading) as $number => $line) {
            $bare = rtrim($line);
            if ($bare === '') {
                $afterGap = true;

                continue;
            }
            $tag = preg_match(self::TAG, $bare, $match) === 1 ? $match[1] : null;
            if ($tag !== null && ($tag === 'PMID' || $afterGap) && $record !== null) {
                yield $this->reference($record);
                $record = null;
            }
            $afterGap = false;
            if ($record === null && $tag === null) {
                $stray ??= new TaggedRecord($number);
                $stray->keep($line);

                continue;
            }
            if ($stray !== null) {
                yield UnreadableRecord::strayText($stray->line, $stray->source, 'a line with a tag, such as PMID');
                $stray = null;
            }
            $anything = true;
            $record ??= new TaggedRecord($number);
            $record->keep($line);
            $tag === null ? $record->continue(trim($line)) : $record->add($tag, trim($match[2]));
        }
        if (! $anything) {
            throw UnusableFile::unknownFormat();
        }
        if ($stray !== null) {
            yield UnreadableRecord::strayText($stray->line, $stray->source, 'a line with a tag, such as PMID');
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
        $title = $record->take(['TI', 'BTI']) ?? $record->take(['TT']) ?? '';
        $extra = [];
        $date = $record->take(['DP', 'DEP']) ?? '';
        [$firstPage, $lastPage] = Pages::split($record->take(['PG']) ?? '');
        $issn = $record->take(['IS']) ?? '';
        if (preg_match('/^(\S+) \(.+\)$/', $issn, $bare) === 1) {
            $extra[] = ['IS', $issn];
            $issn = $bare[1];
        }
        [$type, $kinds] = $this->type($record->takeAll(['PT']));
        $keywords = $record->takeFields(['OT', 'MH']);
        foreach ($keywords as $keyword) {
            if ($keyword[0] === 'MH') {
                $extra[] = $keyword;
            }
        }
        $journal = $record->take(['JT']);
        $short = $record->take(['TA']) ?? '';

        return UnreadableRecord::unlessIdentified(new Reference(
            type: $type,
            title: $title,
            authors: $this->authors($record),
            year: Year::of($date),
            date: $date,
            journal: $journal ?? $short,
            journalShort: $journal === null ? '' : $short,
            volume: $record->take(['VI']) ?? '',
            issue: $record->take(['IP']) ?? '',
            firstPage: $firstPage,
            lastPage: $lastPage,
            doi: $this->doi($record),
            urls: $record->takeAll(['URL', 'UR']),
            abstract: $record->take(['AB']) ?? '',
            keywords: array_column($keywords, 1),
            language: $record->take(['LA']) ?? '',
            publisher: $record->take(['PB']) ?? '',
            place: $record->take(['PL']) ?? '',
            issn: $issn,
            accession: $record->take(['AN']) ?? '',
            id: $record->take(['PMID']) ?? '',
            extra: [...$extra, ...array_map(fn (string $kind): array => ['PT', $kind], $kinds), ...$record->rest()],
            source: $record->source,
            line: $record->line,
        ), 'Add a TI line, or leave it out.');
    }

    /** @return list<Name> full names where they are given; the short form that follows one says nothing more */
    private function authors(TaggedRecord $record): array
    {
        $authors = [];
        $full = null;
        foreach ($record->takeFields(['FAU', 'AU', 'CN']) as [$tag, $text]) {
            if ($tag === 'AU' && $full !== null) {
                $full = null;

                continue;
            }
            $full = $tag === 'FAU' ? $text : null;
            $authors[] = match ($tag) {
                'FAU' => Name::inverted($text),
                'AU' => Name::indexed($text),
                default => new Name($text),
            };
        }

        return $authors;
    }

    private function doi(TaggedRecord $record): string
    {
        $found = '';
        foreach ($record->takeFields(['LID', 'AID', 'DO']) as [$tag, $value]) {
            $doi = $tag === 'DO' || str_ends_with(strtolower($value), '[doi]') ? Doi::normalised((string) preg_replace('/\s*\[doi\]$/i', '', $value)) : null;
            if ($doi !== null && ($found === '' || $found === $doi)) {
                $found = $doi;
            } else {
                $record->add($tag, $value);
            }
        }

        return $found;
    }

    /**
     * @param  list<string>  $kinds
     * @return array{PublicationType, list<string>} the type, and the kinds as they stand where they say more than it
     */
    private function type(array $kinds): array
    {
        $type = null;
        foreach ($kinds as $kind) {
            $type ??= NbibKinds::type($kind);
        }
        $type ??= PublicationType::Article;

        return [$type, $kinds === [NbibKinds::kind($type)] ? [] : $kinds];
    }
}
