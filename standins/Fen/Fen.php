<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Fen;

use WaryHeron\Standins\Corpus\Chance;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;

/** The Fen Register: registrations of trials, with a title and a short summary and little else. */
final class Fen extends Service
{
    public function key(): string
    {
        return 'fen';
    }

    public function title(): string
    {
        return 'Fen Register';
    }

    public function description(): string
    {
        return 'Registrations of trials, all invented';
    }

    public function ceiling(): int
    {
        return 100;
    }

    public function dialectName(): string
    {
        return 'fen';
    }

    public function indexes(): array
    {
        return ['cql.serverChoice' => 'Title and summary', 'title' => 'Title'];
    }

    protected function thesaurusFile(): null
    {
        return null;
    }

    public function sizeBeside(int $alder): int
    {
        return (int) round(($alder * 1.5) / 14);
    }

    public function holdings(int $alder): iterable
    {
        $writer = new StudyWriter();
        $size = $this->sizeBeside($alder);
        for ($number = 1, $taken = 0; $taken < $size; $number++) {
            $study = $writer->study($number);
            $isTrial = array_intersect(['Randomised trial', 'Trial protocol'], $study->types) !== [];
            if ($isTrial && $study->year >= 2000 && (new Chance("fen/{$number}"))->is(0.75)) {
                $taken++;
                yield $study;
            }
        }
    }

    public function entry(Study $study, int $position): array
    {
        $chance = new Chance("fen/entry/{$study->number}");
        $sentences =
            preg_split(
                '/(?<=[.!?])\s+(?=\p{Lu})/u',
                (string) preg_replace(
                    '/\b(?:Background|Objectives?|Methods?|Design|Results?|Findings|Conclusions?)[^:.]{0,30}: /u',
                    '',
                    $study->abstract,
                ),
            ) ?:
            [];
        $identifier = sprintf('FEN-%05d', 20_000 + $position * 3);

        return [
            ...get_object_vars($study),
            'identifier' => $identifier,
            'title' => (string) preg_replace('/: .*?(?:trial|study|protocol).*$/iu', '', $study->title),
            'abstract' => implode(' ', array_slice($sentences, 0, 3)),
            'authors' => array_slice($study->authors, 0, 1),
            'year' => max(2000, $study->year - $chance->int(1, 3)),
            'journal' => ['Fen Register', 'Fen Register', ''],
            'volume' => '',
            'issue' => '',
            'firstPage' => '',
            'lastPage' => '',
            'doi' => '',
            'types' => ['Trial registration'],
            'headings' => [],
            'major' => [],
            'qualifiers' => [],
            'ages' => [],
            'species' => '',
        ];
    }
}
