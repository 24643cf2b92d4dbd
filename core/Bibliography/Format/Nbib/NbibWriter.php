<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Writes tagged text: a tag of four places, a hyphen, the value; long values go on in lines that begin with six blanks.
 */
final class NbibWriter implements ReferenceWriter
{
    private const WIDTH = 88;

    /**
     * Tags that a reader takes for one of our fields however often they come; another format's field must not come
     * under them.
     */
    private const REPEATED = [
        'PMID',
        'FAU',
        'AU',
        'CN',
        'OT',
        'MH',
        'URL',
        'UR',
        'FED',
        'ED',
        'CED',
        'ISBN',
        'CTI',
        'EN',
        'BTI',
    ];

    public function write(iterable $references): iterable
    {
        $number = 0;
        foreach ($references as $reference) {
            yield $this->record($reference, ++$number);
        }
    }

    public function extension(): string
    {
        return 'nbib';
    }

    public function mediaType(): string
    {
        return 'text/plain; charset=utf-8';
    }

    private function record(Reference $reference, int $number): string
    {
        $text = '';
        foreach ($this->lines($reference, $number) as [$tag, $value]) {
            $value = trim((string) preg_replace('/\s+/u', ' ', $value));
            if ($value !== '') {
                $text .= str_pad($tag, 4).'- '.implode("\r\n      ", $this->wrapped($value))."\r\n";
            }
        }

        return "{$text}\r\n";
    }

    /** @return list<array{string, string}> tag and value; what is empty is not written */
    private function lines(Reference $reference, int $number): array
    {
        $headings = array_column(array_filter($reference->extra, fn (array $field): bool => $field[0] === 'MH'), 1);
        $kinds = array_column(array_filter($reference->extra, fn (array $field): bool => $field[0] === 'PT'), 1);
        $lines = [
            ['PMID', $reference->id !== '' ? $reference->id : (string) $number],
            ['IS', $reference->issn],
            ['ISBN', $reference->isbn],
            ['VI', $reference->volume],
            ['IP', $reference->issue],
            ['DP', $reference->date !== '' ? $reference->date : (string) $reference->year],
            ['TI', $reference->fullTitle()],
            ['PG', $reference->firstPage.($reference->lastPage === '' ? '' : "-{$reference->lastPage}")],
            ['LID', $reference->doi === '' ? '' : "{$reference->doi} [doi]"],
            ['AB', $reference->abstract],
            ...array_merge(...array_map($this->author(...), $reference->authors) ?: [[]]),
            ...array_merge(...array_map($this->editor(...), $reference->editors) ?: [[]]),
            ['LA', $reference->language],
            ...$kinds === [] ? [['PT', NbibKinds::kind($reference->type)]] : [],
            ['PB', $reference->publisher],
            ['PL', $reference->place],
            ['TA', $reference->journalShort],
            ['JT', $reference->containerTitle()],
            ['CTI', $reference->series],
            ['EN', $reference->edition],
            ['AN', $reference->accession],
            ...array_map(fn (string $url): array => ['URL', $url], $reference->urls),
            ...array_map(
                fn (string $word): array => [in_array($word, $headings, true) ? 'MH' : 'OT', $word],
                $reference->keywords,
            ),
        ];

        return [...$lines, ...self::others($reference, $lines)];
    }

    /**
     * @param  list<array{string, string}>  $lines
     * @return list<array{string, string}> fields that a reference has no place for, where they are no repetition
     */
    private static function others(Reference $reference, array $lines): array
    {
        $others = [];
        foreach ($reference->extra as [$tag, $value]) {
            $isTag = preg_match('/^[A-Z][A-Z0-9]{1,3}$/', $tag) === 1;
            if ($isTag && ! in_array($tag, self::REPEATED, true) && ! in_array([$tag, ''], $lines, true)) {
                $others[] = [$tag, $value];
            }
        }

        return $others;
    }

    /** @return list<array{string, string}> */
    private function author(Name $name): array
    {
        return $name->given === '' ? [['CN', $name->family]] : [['FAU', $name->inverts()], ['AU', $name->short()]];
    }

    /** @return list<array{string, string}> */
    private function editor(Name $name): array
    {
        return $name->given === '' ? [['CED', $name->family]] : [['FED', $name->inverts()], ['ED', $name->short()]];
    }

    /** @return list<string> */
    private function wrapped(string $value): array
    {
        $lines = [''];
        foreach (explode(' ', $value) as $word) {
            $last = count($lines) - 1;
            if ($lines[$last] !== '' && mb_strlen($lines[$last]) + 1 + mb_strlen($word) > self::WIDTH) {
                $lines[] = $word;
            } else {
                $lines[$last] .= ($lines[$last] === '' ? '' : ' ').$word;
            }
        }

        return $lines;
    }
}
