<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Bibliography\SourceField;

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
        foreach ($this->lines($reference, $number) as $line) {
            $value = trim((string) preg_replace('/\s+/u', ' ', $line->value));
            if ($value !== '') {
                $text .= str_pad($line->tag, 4).'- '.implode("\r\n      ", $this->wrapped($value))."\r\n";
            }
        }

        return "{$text}\r\n";
    }

    /** @return list<SourceField> what is empty is not written */
    private function lines(Reference $reference, int $number): array
    {
        $under = fn (string $tag): array => array_filter($reference->extra, fn (SourceField $one): bool => $one->tag === $tag);
        $headings = array_column($under('MH'), 'value');
        $lines = [
            new SourceField('PMID', $reference->id !== '' ? $reference->id : (string) $number),
            new SourceField('IS', $reference->issn),
            new SourceField('ISBN', $reference->isbn),
            new SourceField('VI', $reference->volume),
            new SourceField('IP', $reference->issue),
            new SourceField('DP', $reference->date !== '' ? $reference->date : (string) $reference->year),
            new SourceField('TI', $reference->fullTitle()),
            new SourceField('PG', $reference->firstPage.($reference->lastPage === '' ? '' : "-{$reference->lastPage}")),
            new SourceField('LID', $reference->doi === '' ? '' : "{$reference->doi} [doi]"),
            new SourceField('AB', $reference->abstract),
            ...array_merge(...array_map($this->author(...), $reference->authors) ?: [[]]),
            ...array_merge(...array_map($this->editor(...), $reference->editors) ?: [[]]),
            new SourceField('LA', $reference->language),
            ...$under('PT') === [] ? [new SourceField('PT', NbibKinds::kind($reference->type))] : [],
            new SourceField('PB', $reference->publisher),
            new SourceField('PL', $reference->place),
            new SourceField('TA', $reference->journalShort),
            new SourceField('JT', $reference->containerTitle()),
            new SourceField('CTI', $reference->series),
            new SourceField('EN', $reference->edition),
            new SourceField('AN', $reference->accession),
            ...array_map(fn (string $url): SourceField => new SourceField('URL', $url), $reference->urls),
            ...array_map(
                fn (string $word): SourceField => new SourceField(in_array($word, $headings, true) ? 'MH' : 'OT', $word),
                $reference->keywords,
            ),
        ];

        return [...$lines, ...self::others($reference, $lines)];
    }

    /**
     * @param  list<SourceField>  $lines
     * @return list<SourceField> fields that a reference has no place for, where they are no repetition
     */
    private static function others(Reference $reference, array $lines): array
    {
        $empty = array_column(array_filter($lines, fn (SourceField $one): bool => $one->value === ''), 'tag');
        $isOther = fn (SourceField $one): bool => preg_match('/^[A-Z][A-Z0-9]{1,3}$/', $one->tag) === 1 &&
            ! $one->isOne(...self::REPEATED, ...$empty);

        return array_values(array_filter(
            array_map(
                fn (SourceField $one): SourceField => $one->isNote() ? new SourceField('GN', $one->value) : $one,
                $reference->extra,
            ),
            $isOther,
        ));
    }

    /** @return list<SourceField> */
    private function author(Name $name): array
    {
        return $name->given === ''
            ? [new SourceField('CN', $name->family)]
            : [new SourceField('FAU', $name->inverts()), new SourceField('AU', $name->short())];
    }

    /** @return list<SourceField> */
    private function editor(Name $name): array
    {
        return $name->given === ''
            ? [new SourceField('CED', $name->family)]
            : [new SourceField('FED', $name->inverts()), new SourceField('ED', $name->short())];
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
