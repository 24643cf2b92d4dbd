<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Alder;

use WaryHeron\Standins\Corpus\Chance;
use WaryHeron\Standins\Corpus\Indexer;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;

/** The Alder Index: biomedical citations with headings, qualifiers and major topics. */
final class Alder extends Service
{
    /** Which qualifiers the headings under a top may take. */
    public const QUALIFIERS = [
        'Disorders' => ['causes', 'frequency', 'prevention', 'treatment', 'costs', 'measurement'],
        'Signs and symptoms' => ['causes', 'frequency', 'prevention', 'treatment', 'measurement'],
        'Treatment methods' => ['adverse effects', 'costs', 'effects on people', 'organisation', 'standards', 'timing'],
        'Working conditions' => [
            'adverse effects',
            'costs',
            'effects on people',
            'organisation',
            'standards',
            'views of staff',
        ],
        'Light' => ['adverse effects', 'effects on people', 'measurement', 'standards', 'timing'],
        'Body functions' => ['effects on people', 'measurement', 'timing'],
        'Mental functions' => ['effects on people', 'measurement', 'timing'],
        'Substances' => ['adverse effects', 'costs', 'measurement', 'timing'],
        'Patient safety' => ['causes', 'costs', 'frequency', 'organisation', 'prevention', 'standards'],
    ];

    private ?Indexer $indexer = null;

    public function key(): string
    {
        return 'alder';
    }

    public function title(): string
    {
        return 'Alder Index';
    }

    public function description(): string
    {
        return 'Biomedical citations, all invented';
    }

    public function ceiling(): int
    {
        return 500;
    }

    public function dialectName(): string
    {
        return 'cql';
    }

    public function indexes(): array
    {
        return [
            'cql.serverChoice' => 'Title, abstract and headings',
            'dc.title' => 'Title',
            'dc.description' => 'Abstract',
            'dc.subject' => 'Heading words',
            'dc.creator' => 'Author',
            'alder.source' => 'Journal',
            'alder.doi' => 'DOI',
            'rec.identifier' => 'Record number',
            'alder.heading' => 'Heading',
            'dc.date' => 'Year',
            'dc.language' => 'Language',
            'dc.type' => 'Publication type',
            'alder.age' => 'Age group',
            'alder.species' => 'Humans or animals',
        ];
    }

    protected function thesaurusFile(): string
    {
        return __DIR__.'/thesaurus.txt';
    }

    public function sizeBeside(int $alder): int
    {
        return $alder;
    }

    public function holdings(int $alder): iterable
    {
        $writer = new StudyWriter();
        for ($number = 1; $number <= $alder; $number++) {
            yield $writer->study($number);
        }
    }

    public function entry(Study $study, int $position): array
    {
        $thesaurus = $this->thesaurus() ?? throw new \LogicException('Alder has headings.');
        $this->indexer ??= new Indexer($thesaurus, 'alder', 0.07);
        [$headings, $major] = $this->indexer->headings($study);
        $chance = new Chance("alder/qualifiers/{$study->number}");
        $qualifiers = [];
        foreach ($headings as $number) {
            $allowed = $this->qualifiersOf($number);
            if ($allowed !== [] && $chance->is(0.45)) {
                $qualifiers[$number] = $chance->some($allowed, $chance->int(1, 2));
            }
        }
        $named = array_map(fn (int $number): string => $thesaurus->labels[$number], $thesaurus->closure($headings));
        $ages = array_keys(
            array_filter([
                'newborn infants' => in_array('Newborn infants', $named, true),
                'children' => in_array('Children', $named, true),
                'adults' => in_array('Adults', $named, true),
                'aged 65 and over' => in_array('Older people', $named, true),
            ]),
        );

        return [
            ...get_object_vars($study),
            'identifier' => sprintf('%04d-%04d', intdiv($study->number, 10000) + 91, $study->number % 10000),
            'headings' => $headings,
            'major' => $major,
            'qualifiers' => $qualifiers,
            'ages' => $ages,
            'species' => array_intersect(['Farm animals', 'Laboratory animals', 'Plants'], $named) === []
                    ? 'humans'
                    : 'not humans',
        ];
    }

    /** @return list<string> */
    public function qualifiersOf(int $number): array
    {
        $thesaurus = $this->thesaurus() ?? throw new \LogicException('Alder has headings.');
        $allowed = [];
        foreach ($thesaurus->tops($number) as $top) {
            array_push($allowed, ...self::QUALIFIERS[$thesaurus->labels[$top]] ?? []);
        }

        return array_values(array_unique($allowed));
    }
}
