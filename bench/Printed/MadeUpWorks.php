<?php

declare(strict_types=1);

namespace Bench\Printed;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Works that nobody wrote, as CSL-JSON items of the kinds that reviews cite; the same for the same seed. */
final class MadeUpWorks
{
    private const FAMILIES = ['Kolbe', 'Haas', 'Okafor', 'Ito', 'van der Berg', 'de la Cruz', 'Lindqvist', 'O’Neill', 'Strand',
        'Nyqvist', 'Ude', 'Falk', 'Haas-Ito', 'Moreau', 'Ibáñez', 'Öster', 'Dupont', 'Wren', 'Marsh', 'Petrov', 'Garcia Lopez', ];

    private const GIVEN = ['Anna', 'Mira B.', 'Ines', 'Ken', 'Jan-Pieter', 'María José', 'Ola', 'Sean', 'B. Dana', 'Eva K.', 'Mo',
        'Elin', 'Tom', 'Claire', 'Luis', 'Åsa', 'Jean-Paul', 'Patricia S.', 'Ruth', 'Ivan', 'Ana', ];

    private const THINGS = ['Bright light', 'Dim lamps', 'Short naps', 'Rotating shifts', 'Visors', 'Self-rostering', 'Split sleep'];

    private const AIMS = ['and sleep in', 'for alertness of', 'to reduce errors among', 'and falls of', 'in the care of'];

    private const PEOPLE = ['night nurses', 'hospital porters', 'junior doctors', 'paramedics', 'midwives', 'older patients'];

    private const ENDS = ['', ': a randomised trial', ': a systematic review and meta-analysis', ' matter? What do we know?',
        ': a cohort study of 1,204 wards', ' in 2009–2014: an interview study', ];

    /** Journals with their short names. */
    private const JOURNALS = ['Journal of Night Medicine' => 'J Night Med', 'Sleep and Wards' => 'Sleep Wards', 'The Lamp' => 'Lamp',
        'International Archives of Occupational Nights' => 'Int Arch Occup Nights', 'Nocturne' => 'Nocturne',
        'Chronobiology & Work' => 'Chronobiol Work', ];

    private const PUBLISHERS = ['Fen House' => 'Lund', 'Lantern Press' => 'London', 'Heron Academic' => 'Cambridge, MA'];

    private const BODIES = ['Night Work Agency', 'National Institute for Lamps', 'Ministry of Night Health', 'DAWN Study Group'];

    /** Of so many works one is of each kind; the others are articles. */
    private const KINDS = ['chapter', 'chapter', 'book', 'report', 'thesis', 'paper-conference', 'webpage'];

    private readonly Randomizer $random;

    /** @var array<string, true> by which works are told from each other */
    private array $titles = [];

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return list<array<string, mixed>> */
    public function items(int $number): array
    {
        return array_map(function (int $at): array {
            $kind = self::KINDS[$at % 16] ?? 'article-journal';

            return ['id' => "i{$at}", 'type' => $kind, ...$this->common($kind), ...$this->own($kind, $at)];
        }, range(0, $number - 1));
    }

    /** @return array<string, mixed> */
    private function common(string $kind): array
    {
        $year = $this->random->getInt(1985, 2025);
        $isByBody = $kind === 'report' || $this->random->getInt(1, 12) === 1;

        return [
            'title' => $this->title(),
            'author' => $isByBody ? [['literal' => $this->one(self::BODIES)]] : $this->names([1, 1, 2, 3, 4, 6, 8, 12]),
            'issued' => ['date-parts' => [[$year, ...$kind === 'article-journal' ? [$this->random->getInt(1, 12)] : []]]],
        ];
    }

    private function title(): string
    {
        do {
            $title = "{$this->one(self::THINGS)} {$this->one(self::AIMS)} {$this->one(self::PEOPLE)}{$this->one(self::ENDS)}";
        } while (isset($this->titles[$title]));
        $this->titles[$title] = true;

        return $title;
    }

    /** @return array<string, mixed> */
    private function own(string $kind, int $at): array
    {
        $first = $this->random->getInt(1, 2000);
        $publisher = $this->one(array_keys(self::PUBLISHERS));
        $issued = ['publisher' => $publisher, 'publisher-place' => self::PUBLISHERS[$publisher]];
        $journal = $this->one(array_keys(self::JOURNALS));

        return match ($kind) {
            'article-journal' => [
                'container-title' => $journal,
                'container-title-short' => self::JOURNALS[$journal],
                'volume' => (string) $this->random->getInt(1, 120),
                'issue' => $this->one(['1', '2', '4', '11']),
                'page' => $this->one(["{$first}-".($first + 9), "e{$first}", "S{$at}-S".($at + 6)]),
                ...$this->random->getInt(1, 10) > 4 ? ['DOI' => "10.7{$this->random->getInt(1111, 9999)}/nm.{$at}"] : [],
            ],
            'chapter' => [
                'container-title' => $this->one(['Handbook of Night Work', 'Lamps and Their Lux: A Reader']),
                'editor' => $this->names([1, 2, 3]),
                'page' => "{$first}-".($first + 20),
                ...$issued,
            ],
            'book' => [
                'title' => $this->one(['Nights of the Ward', 'Shift Work: Its Costs and Cures']),
                'edition' => '3',
                ...$issued,
            ],
            'report' => ['genre' => 'Report', 'number' => (string) $at, ...$issued],
            'thesis' => ['genre' => 'PhD thesis', 'publisher' => 'University of the Fjords', 'publisher-place' => 'Bergen'],
            'paper-conference' => [
                'container-title' => 'Proceedings of the 9th Night Congress',
                'page' => "{$first}-".($first + 6),
                ...$issued,
            ],
            default => ['URL' => "https://nights.example/{$at}", 'container-title' => 'Nights Online'],
        };
    }

    /**
     * @param  list<int>  $numbers
     * @return list<array{family: string, given: string}>
     */
    private function names(array $numbers): array
    {
        $keys = $this->random->pickArrayKeys(self::FAMILIES, $this->random->shuffleArray($numbers)[0]);

        return array_map(
            fn (int $key): array => ['family' => self::FAMILIES[$key], 'given' => self::GIVEN[$key]],
            $this->random->shuffleArray($keys),
        );
    }

    /** @param  list<string>  $texts */
    private function one(array $texts): string
    {
        return $texts[$this->random->getInt(0, count($texts) - 1)];
    }
}
