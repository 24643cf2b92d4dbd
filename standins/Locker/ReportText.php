<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

use WaryHeron\Standins\Corpus\Chance;
use WaryHeron\Standins\Corpus\PeopleTold;
use WaryHeron\Standins\Corpus\Study;
use WaryHeron\Standins\Corpus\StudyWriter;

/**
 * The invented text of a report, of some pages: what its abstract says, told at length; the same for a DOI every time.
 */
final readonly class ReportText
{
    /** So many paragraphs stand before the text: journal, title, authors, identifier, abstract. */
    public const ABOVE = 6;

    private const FEWEST_CITED = 9;

    private const MOST_CITED = 16;

    /** Works are cited of so many of the first that were invented. */
    private const CITED_FROM = 1500;

    private Chance $chance;

    /** @param  array<string, mixed>  $entry */
    public function __construct(private array $entry, private string $doi)
    {
        $this->chance = new Chance("report/{$doi}");
    }

    /** @return list<array{int, string}> paragraphs with their size in points */
    public function paragraphs(): array
    {
        $authors = implode(
            ', ',
            array_map(fn (array $author): string => "{$author[1]} {$author[0]}", $this->entry['authors']),
        );
        $told = $this->told();
        $body = [
            [9, "{$this->entry['journal'][0]} {$this->entry['year']}; {$this->entry['volume']}"],
            [16, $this->entry['title']],
            [11, $authors],
            [9, "doi:{$this->doi}"],
            [12, 'Abstract'],
            [10, $this->entry['abstract'] === '' ? 'This report has no abstract.' : $this->entry['abstract']],
            [12, '1 Introduction'],
            [10, $this->some(self::INTRODUCTION, 4)],
            [10, $this->some(self::GAP, 3)],
            [12, '2 Methods'],
            [11, '2.1 Setting and people'],
            [10, "{$told['methods']} ".$this->some(self::SETTING, 4)],
            [11, '2.2 Procedure'],
            [10, $this->some(self::PROCEDURE, 5)],
            [11, '2.3 Analysis'],
            [10, $this->some(self::ANALYSIS, 4)],
            [12, '3 Results'],
            [10, $this->some(self::FLOW, 3)],
            [10, $told['results']],
            [11, 'Table 1. People at the start'],
            [10, "Characteristic\tBright light\tDim light"],
        ];
        foreach (
            [
                'Age in years, mean',
                'Years of night work, mean',
                'Nights in the last month, mean',
                'Women, per cent',
                'Sleep before the first night in hours, mean',
            ] as $i => $row
        ) {
            $low = [34, 6, 7, 55, 5][$i];
            $body[] = [
                10,
                implode("\t", [$row, $this->chance->int($low, $low + 9), $this->chance->int($low, $low + 9)]),
            ];
        }

        return [
            ...$body,
            ...$told['results'] === '' ? [] : $this->outcomes(),
            [10, $this->some(self::FURTHER, 4)],
            [12, '4 Discussion'],
            [10, "{$told['conclusion']} ".$this->some(self::DISCUSSION, 4)],
            [10, $this->some(self::LIMITS, 4)],
            [12, 'Declarations'],
            [
                10,
                'Everything in this report is invented: people, places, numbers and the journal. It was made for trying things out.',
            ],
            [12, 'References'],
            ...$this->references(),
        ];
    }

    /** @return list<array{int, string}> numbered works of others, most of which the databases hold */
    private function references(): array
    {
        $writer = new StudyWriter();
        $cited = [];
        $count = $this->chance->int(self::FEWEST_CITED, self::MOST_CITED);
        for ($tried = 0; $tried < 20 * $count && count($cited) < $count; $tried++) {
            $study = $writer->study($this->chance->int(1, self::CITED_FROM));
            if ($study->year <= $this->entry['year'] && $study->doi !== $this->doi) {
                $cited[] = [9, (count($cited) + 1).'. '.self::printed($study)];
            }
        }

        return $cited;
    }

    private static function printed(Study $study): string
    {
        $names = array_map(
            fn (array $author): string => $author[0].' '.implode('', array_map(
                fn (string $given): string => mb_substr($given, 0, 1),
                preg_split('/[\s-]+/u', $author[1], -1, PREG_SPLIT_NO_EMPTY) ?: [],
            )),
            $study->authors,
        );
        $authors = implode(', ', array_slice($names, 0, 6)).(count($names) > 6 ? ', et al' : '');
        $issue = $study->issue === '' ? '' : "({$study->issue})";
        $pages = $study->firstPage.($study->lastPage === '' ? '' : "-{$study->lastPage}");
        $title = rtrim($study->title, '.');
        $end = preg_match('/[?!]$/', $title) === 1 ? '' : '.';

        return "{$authors}. {$title}{$end} {$study->journal[0]}. {$study->year};{$study->volume}{$issue}:{$pages}.";
    }

    /** @return list<array{int, string}> a table of what came out in either group */
    private function outcomes(): array
    {
        // what the abstract tells of people is not contradicted
        $told = (int) str_replace(',', '', PeopleTold::count($this->entry['abstract']));
        $all = $told > 1 ? $told : $this->chance->int(60, 260);
        $groups = [intdiv($all, 2), $all - intdiv($all, 2)];
        $risk = $this->chance->int(14, 30) / 100;
        $ratio = $this->chance->int(45, 105) / 100;
        $sleepy = $this->chance->int(48, 64) / 10;
        $less = $this->chance->int(-2, 14) / 10;
        $row = fn (string ...$cells): array => [10, implode("\t", $cells)];

        return [
            [11, 'Table 2. What came out, with light and without'],
            $row('Outcome', "Bright light (n = {$groups[0]})", "Dim light (n = {$groups[1]})"),
            $row('People analysed', ...array_map(strval(...), $groups)),
            $row('People with a near miss', (string) (int) round($groups[0] * $risk * $ratio), (string) (int) round($groups[1] * $risk)),
            $row('Sleepiness at 04:00 from 1 to 9, mean', sprintf('%.1f', $sleepy - $less), sprintf('%.1f', $sleepy)),
            $row('Sleepiness at 04:00, SD', sprintf('%.1f', $this->chance->int(14, 22) / 10), sprintf('%.1f', $this->chance->int(14, 22) / 10)),
        ];
    }

    /**
     * @return array{methods: string, results: string, conclusion: string} the abstract's sentences by what they tell of
     */
    private function told(): array
    {
        $parts = ['methods' => '', 'results' => '', 'conclusion' => ''];
        $sentences =
            preg_split(
                '/(?<=[.!?])\s+(?=\p{Lu}|\d)/u',
                (string) preg_replace('/(?:^|(?<=[.!?]) )\p{Lu}[\p{L} ]{3,28}: /u', ' ', $this->entry['abstract']),
            ) ?:
            [];
        foreach ($sentences as $i => $sentence) {
            $place = match (true) {
                preg_match('/\d.*(?:CI|SD|%|p [=<])|difference|improved|worsened|lost to follow/u', $sentence) === 1 => 'results',
                preg_match(
                    '/random|allocated|assigned|measur|assess|took part|served|received|observed|outcome|registered|interview|survey|question/ui',
                    $sentence,
                ) === 1 => 'methods',
                $i === count($sentences) - 1 => 'conclusion',
                default => null,
            };
            if ($place !== null) {
                $parts[$place] = trim("{$parts[$place]} {$sentence}");
            }
        }

        return $parts;
    }

    /** @param  non-empty-list<string>  $of */
    private function some(array $of, int $count): string
    {
        return implode(' ', $this->chance->some($of, min($count, count($of))));
    }

    private const INTRODUCTION = [
        'Work at night asks people to be alert when the body is set to sleep.',
        'Hospitals cannot close at night, and their staff cannot choose when patients need them.',
        'Errors are told of more often towards the end of a night, between three and six in the morning.',
        'Light is the strongest signal to which the internal clock listens.',
        'Rest breaks, naps and caffeine have each been tried, alone and together.',
        'Few wards were planned with those in mind who stay awake in them.',
        'What is known comes largely from volunteers in laboratories, who are young and well rested.',
    ];

    private const GAP = [
        'Whether the same holds on a working ward is less clear.',
        'Earlier studies were small, and most measured for a single night.',
        'We know of no study that followed the same people over several rosters.',
        'Comfort and glare have hardly been asked about.',
        'This study was planned to fill that gap.',
    ];

    private const SETTING = [
        'People were told of the study at handover and by a notice in the staff room.',
        'All gave their consent in writing.',
        'Those on leave, pregnant, or treated for an eye disease were not asked.',
        'Agency staff took part if they worked at least three nights in a row.',
        'The wards cared for adults and had between 18 and 32 beds.',
        'The committee of the hospital approved the plan.',
    ];

    private const PROCEDURE = [
        'Measurements were taken at 22:00, 02:00 and 06:00.',
        'Light at eye height was logged every minute by a sensor worn at the collar.',
        'For a week before, the staff worked under their usual lamps.',
        'Nobody was asked to change when or how much coffee they drank; it was noted.',
        'Sleep was recorded by wrist movement and in a diary.',
        'Those who measured did not know which lamps had been on.',
        'A nurse of the team looked after the equipment and saw to it that it was switched on in time.',
    ];

    private const ANALYSIS = [
        'The plan of analysis was written before the data were opened.',
        'Values missing at one time were not filled in.',
        'Models had the person as a random effect and the night as a fixed one.',
        'Differences are given with 95% confidence intervals.',
        'We looked at those over and under 40 years apart, as planned.',
        'No adjustment was made for several outcomes.',
    ];

    private const FLOW = [
        'Most of those who were asked took part.',
        'Reasons for leaving were a change of ward, illness and, in two cases, headache.',
        'People at the start were alike under both lamps (Table 1).',
        'No night had to be left out.',
    ];

    private const FURTHER = [
        'The lamps were on for nine tenths of the time planned.',
        'Adherence fell a little after the second week.',
        'Asked at the end, a third would keep the lamps as they were, and as many would have them dimmed towards morning.',
        'The results did not change when nights with an emergency were left out.',
        'Glare was named by one in eight.',
    ];

    private const DISCUSSION = [
        'The size of the effect is like that of a short nap.',
        'It was largest when the need was greatest, late in the night.',
        'Costs were small against those of a single serious error.',
        'The staff spoke of the lamps kindly, which may itself have an effect.',
        'Others have found less, with weaker lamps and shorter exposure.',
    ];

    private const LIMITS = [
        'Nobody could be kept from knowing whether the lamps were on.',
        'One hospital is not all hospitals.',
        'Errors were counted as they were reported, and not all are.',
        'We did not follow people on their way home.',
        'A longer study should ask what becomes of sleep in the day.',
    ];
}
