<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Tern;

use WaryHeron\Standins\Corpus\Chance;
use WaryHeron\Standins\Corpus\Indexer;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;

/**
 * Tern Abstracts: occupational health and social science, of which somewhat less than half is in Alder too, told
 * otherwise.
 */
final class Tern extends Service
{
    private const SHARED = 0.45;

    private const NOT_ITS_FIELD = [
        'poultry-light',
        'plant-light',
        'newborn-light',
        'clock-lab',
        'wounds',
        'oral',
        'kidney',
        'feeding',
        'asthma',
        'hip',
    ];

    private ?Indexer $indexer = null;

    public function key(): string
    {
        return 'tern';
    }

    public function title(): string
    {
        return 'Tern Abstracts';
    }

    public function description(): string
    {
        return 'Abstracts of occupational health and social science, all invented';
    }

    public function ceiling(): int
    {
        return 200;
    }

    public function dialectName(): string
    {
        return 'ccl';
    }

    public function indexes(): array
    {
        return [
            'cql.serverChoice' => 'Title, abstract and headings',
            'TI' => 'Title',
            'AB' => 'Abstract',
            'KW' => 'Heading words',
            'AU' => 'Author',
            'SO' => 'Journal',
            'DO' => 'DOI',
            'AN' => 'Record number',
            'SH' => 'Heading',
            'PY' => 'Year',
            'LA' => 'Language',
            'DT' => 'Document type',
        ];
    }

    protected function thesaurusFile(): string
    {
        return __DIR__.'/thesaurus.txt';
    }

    public function sizeBeside(int $alder): int
    {
        return (int) round(($alder * 9) / 14);
    }

    public function holdings(int $alder): iterable
    {
        $writer = new StudyWriter();
        $size = $this->sizeBeside($alder);
        $shared = (int) round($size * self::SHARED);
        $taken = 0;
        for ($number = 1; $number <= $alder && $taken < $shared; $number++) {
            // as many as are needed, spread over all of Alder's
            if ((new Chance("tern/{$number}"))->is(0.78) && $this->isItsField($study = $writer->study($number))) {
                $taken++;
                yield $study;
            }
        }
        for ($number = $alder + 1_000_000; $taken < $size; $number++) {
            if ($this->isItsField($study = $writer->study($number))) {
                $taken++;
                yield $study;
            }
        }
    }

    private function isItsField(Study $study): bool
    {
        return ! in_array($study->topic, self::NOT_ITS_FIELD, true);
    }

    public function entry(Study $study, int $position): array
    {
        $thesaurus = $this->thesaurus() ?? throw new \LogicException('Tern has headings.');
        $this->indexer ??= new Indexer($thesaurus, 'tern', 0.11);
        [$headings] = $this->indexer->headings($study);
        $chance = new Chance("tern/entry/{$study->number}");
        $initials = fn (array $author): array => [
            $author[0],
            implode(' ', array_map(fn (string $name): string => mb_substr($name, 0, 1).'.', explode(' ', $author[1]))),
        ];
        $year = $study->year + ($chance->is(0.03) ? 1 : 0);

        return [
            ...get_object_vars($study),
            'identifier' => sprintf('T%06d', 40_000 + $position * 7),
            'title' => match (true) {
                $chance->is(0.08) => mb_strtoupper($study->title),
                $chance->is(0.2) => "{$study->title}.",
                $chance->is(0.05) && str_contains($study->title, ': ') => (string) strstr($study->title, ': ', true),
                default => $study->title,
            },
            'authors' => array_map($initials, $chance->is(0.1) ? array_slice($study->authors, 0, 3) : $study->authors),
            'year' => $year,
            'journal' => $chance->is(0.3)
                ? [$study->journal[1], $study->journal[1], $study->journal[2]]
                : $study->journal,
            'doi' => $study->doi !== '' && $chance->is(0.72)
                    ? ($chance->is(0.2)
                        ? mb_strtoupper($study->doi)
                        : $study->doi)
                    : '',
            'abstract' => $chance->is(0.04) ? '' : $study->abstract,
            'types' => [
                in_array('Conference abstract', $study->types, true)
                    ? 'Conference paper'
                    : (in_array('Editorial', $study->types, true) || in_array('Letter', $study->types, true)
                        ? 'Comment'
                        : 'Article'),
            ],
            'headings' => $headings,
            'major' => [],
            'qualifiers' => [],
            'ages' => [],
            'species' => '',
        ];
    }
}
