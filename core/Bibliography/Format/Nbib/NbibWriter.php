<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Nbib;

use WaryHeron\Core\Bibliography\Format\ReferenceWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** Writes tagged text: a tag of four places, a hyphen, the value; long values go on in lines that begin with six blanks. */
final class NbibWriter implements ReferenceWriter
{
    private const WIDTH = 88;

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
        $id = $reference->id !== '' ? $reference->id : ($reference->accession !== '' ? $reference->accession : (string) $number);
        $lines = [
            ['PMID', $id],
            ['IS', $reference->issn],
            ['VI', $reference->volume],
            ['IP', $reference->issue],
            ['DP', $reference->date !== '' ? $reference->date : (string) $reference->year],
            ['TI', $reference->title],
            ['PG', $reference->lastPage === '' ? $reference->firstPage : "{$reference->firstPage}-{$reference->lastPage}"],
            ['LID', $reference->doi === '' ? '' : "{$reference->doi} [doi]"],
            ['AB', $reference->abstract],
            ...array_merge(...array_map(fn (Name $name): array => [['FAU', $name->inverts()], ['AU', $name->short()]], $reference->authors) ?: [[]]),
            ['LA', $reference->language],
            ['PT', $reference->type === PublicationType::Article ? 'Journal Article' : ucfirst($reference->type->value)],
            ['PB', $reference->publisher],
            ['PL', $reference->place],
            ['TA', $reference->journalShort],
            ['JT', $reference->journal],
            ...array_map(fn (string $word): array => ['OT', $word], $reference->keywords),
        ];
        $text = '';
        foreach ($lines as [$tag, $value]) {
            $value = trim((string) preg_replace('/\s+/u', ' ', $value));
            if ($value !== '') {
                $text .= str_pad($tag, 4).'- '.implode("\r\n      ", $this->wrapped($value))."\r\n";
            }
        }

        return "{$text}\r\n";
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
