<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** The fields that are compared, in the order in which levels of agreement are listed. */
enum MatchField: string
{
    case Title = 'title';
    case Authors = 'authors';
    case Year = 'year';
    case Journal = 'journal';
    case Volume = 'volume';
    case Issue = 'issue';
    case Pages = 'pages';
    case Doi = 'doi';
    case Abstract = 'abstract';

    /** By field and level: what it is called, how often pairs of one work have it, and how often others do. */
    private const LEVELS = [
        'title' => [
            1 => ['the same', 0.78, 0.006],
            2 => ['the same but for spelling', 0.12, 0.002],
            3 => ['one without its subtitle', 0.05, 0.006],
            4 => ['one is the other’s translation', 0.01, 0.0002],
            5 => ['words added', 0.02, 0.02],
            6 => ['words differ', 0.01, 0.1],
            7 => ['different', 0.01, 0.8658],
        ],
        'authors' => [
            1 => ['the same', 0.9, 0.012],
            2 => ['the first is the same', 0.06, 0.006],
            3 => ['some the same', 0.03, 0.02],
            4 => ['none the same', 0.01, 0.962],
        ],
        'year' => [
            1 => ['the same', 0.93, 0.3],
            2 => ['one year apart', 0.065, 0.2],
            3 => ['years apart', 0.005, 0.5],
        ],
        'journal' => [
            1 => ['the same', 0.88, 0.05],
            2 => ['one name holds the other', 0.1, 0.02],
            3 => ['different', 0.02, 0.93],
        ],
        'volume' => [
            1 => ['the same', 0.965, 0.12],
            2 => ['volume and issue changed places', 0.005, 0.001],
            3 => ['one digit differs', 0.02, 0.2],
            4 => ['different', 0.01, 0.679],
        ],
        'issue' => [1 => ['the same', 0.95, 0.2], 2 => ['different', 0.05, 0.8]],
        'pages' => [
            1 => ['the same', 0.91, 0.008],
            2 => ['nearly the same', 0.06, 0.008],
            3 => ['different', 0.03, 0.984],
        ],
        'doi' => [
            1 => ['the same', 0.97, 0.0002],
            2 => ['nearly the same', 0.01, 0.01],
            3 => ['different', 0.02, 0.9898],
        ],
        'abstract' => [
            1 => ['the same', 0.9, 0.004],
            2 => ['partly the same', 0.06, 0.01],
            3 => ['different', 0.04, 0.986],
        ],
    ];

    /**
     * The levels of agreement, best first, each with how likely it is among records of one publication and of two
     * (starting values, before the review's own pairs are heard). What cannot be compared has no level: it is 0 and
     * weighs nothing.
     *
     * @return non-empty-array<int, array{string, float, float}> by level from 1: words for people, m, u
     */
    public function levels(): array
    {
        return self::LEVELS[$this->value];
    }

    public function place(): int
    {
        return match ($this) {
            self::Title => 0,
            self::Authors => 1,
            self::Year => 2,
            self::Journal => 3,
            self::Volume => 4,
            self::Issue => 5,
            self::Pages => 6,
            self::Doi => 7,
            self::Abstract => 8,
        };
    }
}
