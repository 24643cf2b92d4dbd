<?php

declare(strict_types=1);

namespace Bench;

use Generator;
use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Records of made-up publications as several sources would tell them, with the publication each belongs to; the same
 * for the same seed.
 */
final class SyntheticSources
{
    private const HEADS = [
        'Effects of',
        'Influence of',
        'Predictors of',
        'Determinants of',
        'Evaluation of',
        'A comparison of',
        'Long-term changes in',
        'Rethinking',
        'Barriers to',
        'Measuring',
        'Association between',
        'Twenty years of',
    ];

    private const THINGS = [
        'bright light exposure',
        'rotating shifts',
        'scheduled naps',
        'blue-enriched lamps',
        'dim corridors',
        'caffeine timing',
        'melatonin dosing',
        'split breaks',
        'noise masking',
        'task rotation',
        'handover checklists',
        'dark goggles',
        'exercise bouts',
        'cold rooms',
        'music playlists',
        'wearable alarms',
        'meal timing',
        'peer coaching',
        'e-diaries',
        'commute sharing',
    ];

    private const OUTCOMES = [
        'alertness',
        'reaction time',
        'sleep duration',
        'medication errors',
        'needle injuries',
        'fatigue scores',
        'melatonin onset',
        'mood ratings',
        'staff turnover',
        'near misses',
        'driving lapses',
        'cortisol slopes',
        'heart rate variability',
        'cognitive throughput',
        'sick leave',
        'handover quality',
    ];

    private const PEOPLE = [
        'nurses',
        'junior doctors',
        'paramedics',
        'radiographers',
        'porters',
        'night pharmacists',
        'midwives',
        'laboratory staff',
        'ward clerks',
        'control room operators',
        'dispatchers',
        'security staff',
    ];

    private const PLACES = [
        'Tarvik',
        'Lunecourt',
        'Maridale',
        'Calderwyn',
        'Grenmark',
        'Vastholm',
        'Quellin',
        'Port Ellery',
        'Nova Braça',
        'Istrava',
        'Belmora',
        'Darakot',
        'Orsenna',
        'Corrinthe',
        'Sandreth',
        'Ærholm',
    ];

    private const QUALIFIERS = [
        'early',
        'repeated',
        'low-dose',
        'combined',
        'voluntary',
        'self-chosen',
        'supervised',
        'brief',
        'intermittent',
        'personalised',
        'team-based',
        'unannounced',
        'delayed',
        'remote',
        'seasonal',
        'mandatory',
        'staggered',
        'simulated',
        'peer-led',
        'subsidised',
        'nightly',
        'alternating',
        'warm',
        'quiet',
        'wearable',
        'ceiling-mounted',
    ];

    private const GROUPS = [
        'newly qualified',
        'older',
        'part-time',
        'permanent',
        'agency',
        'rural',
        'urban',
        'migrant',
        'pregnant',
        'experienced',
        'volunteer',
        'rotating',
        'off-site',
        'senior',
        'community',
        'intensive care',
        'paediatric',
        'surgical',
        'psychiatric',
        'obstetric',
        'oncology',
        'trauma',
    ];

    private const FORMS = [
        'a randomised trial',
        'a cohort study',
        'a case–control study',
        'a cross-sectional survey',
        'a qualitative study',
        'a pilot study',
        'a crossover trial',
        'a registry-based analysis',
        'a mixed-methods evaluation',
        'a before-and-after study',
    ];

    private const SYLLABLES = [
        'ka',
        'lo',
        'ri',
        'mek',
        'tan',
        'vo',
        'shi',
        'gre',
        'bel',
        'dor',
        'nas',
        'ul',
        'pen',
        'hal',
        'qui',
        'zor',
        'em',
        'fa',
        'wyn',
        'ost',
        'ård',
        'éli',
        'ück',
        'ska',
    ];

    private Randomizer $random;

    /** @var list<array{string, string}> */
    private array $journals = [];

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        foreach (['Journal', 'Annals', 'Archives', 'Proceedings', 'Reports', 'Letters', 'Reviews'] as $kind) {
            foreach (
                [
                    'Night Medicine',
                    'Occupational Light',
                    'Shift Work',
                    'Applied Sleep',
                    'Ward Practice',
                    'Emergency Nursing',
                    'Hospital Safety',
                    'Chronobiology Practice',
                ] as $field
            ) {
                foreach (array_slice(self::PLACES, 0, 6) as $place) {
                    $words = explode(' ', $field);
                    $this->journals[] = [
                        "{$place} {$kind} of {$field}",
                        "{$place} ".
                        substr($kind, 0, 4).
                        '. '.
                        implode(' ', array_map(fn (string $word): string => substr($word, 0, 5).'.', $words)),
                    ];
                }
            }
        }
    }

    /** @return \Generator<string, Reference> by the publication it is of */
    public function records(int $count): Generator
    {
        for ($made = 0, $work = 0; $made < $count; $work++) {
            $original = $this->publication($work);
            $copies = [1, 1, 1, 1, 1, 2, 2, 2, 3, 4][$this->random->getInt(0, 9)];
            for ($copy = 0; $copy < $copies && $made < $count; $copy++, $made++) {
                yield "w{$work}" => $this->told($original, $copy, $made);
            }
        }
    }

    /** @param  non-empty-list<string>  $of */
    private function one(array $of): string
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    private function publication(int $work): Reference
    {
        $thing = $this->one(self::QUALIFIERS).' '.$this->one(self::THINGS);
        $outcome = $this->one(self::OUTCOMES);
        $title = $this->chance(2)
            ? $this->one(['Editorial', 'Letter to the editor', 'Introduction', 'Book reviews'])
            : $this->one(self::HEADS).
                " {$thing} and {$outcome} of ".
                $this->one(self::GROUPS).
                ' '.
                $this->one(self::PEOPLE).
                ' in '.
                $this->one(self::PLACES).
                ': '.
                $this->one(self::FORMS).
                ($this->chance(40) ? " over {$this->random->getInt(2, 60)} months" : '');
        $authors = [];
        for ($i = $this->random->getInt(1, 8); $i > 0; $i--) {
            $authors[] = new Name(
                mb_convert_case(
                    $this->one(self::SYLLABLES).$this->one(self::SYLLABLES).$this->one(self::SYLLABLES),
                    MB_CASE_TITLE,
                ),
                mb_convert_case($this->one(self::SYLLABLES).$this->one(self::SYLLABLES), MB_CASE_TITLE).
                    ' '.
                    chr($this->random->getInt(65, 90)).
                    '.',
            );
        }
        $year = $this->random->getInt(1990, 2026);
        [$journal, $short] = $this->journals[$this->random->getInt(0, count($this->journals) - 1)];
        $first = $this->random->getInt(1, 1400);
        $sentences = [];
        for ($i = $this->random->getInt(6, 11); $i > 0; $i--) {
            $sentences[] =
                ucfirst($this->one(self::THINGS)).
                ' changed '.
                $this->one(self::OUTCOMES).
                ' by '.
                $this->random->getInt(1, 9999) / 100 .
                ' units in '.
                $this->random->getInt(20, 900).
                ' '.
                $this->one(self::PEOPLE).
                ' of '.
                $this->one(self::PLACES).
                ', while '.
                $this->one(self::OUTCOMES).
                ' did not differ between the groups.';
        }

        return new Reference(
            PublicationType::Article,
            $title,
            $authors,
            $year,
            (string) $year,
            $journal,
            $short,
            (string) ($year - 1960),
            (string) $this->random->getInt(1, 12),
            (string) $first,
            (string) ($first + $this->random->getInt(3, 14)),
            "10.79{$this->random->getInt(100, 999)}/lamp.{$year}.{$work}",
            [],
            implode(' ', $sentences),
            [$thing, $outcome],
            'English',
        );
    }

    private function told(Reference $original, int $copy, int $number): Reference
    {
        $title = $original->title;
        $authors = $original->authors;
        if ($copy > 0) {
            $title = $this->chance(25)
                ? mb_strtoupper($title)
                : ($this->chance(20)
                    ? mb_convert_case($title, MB_CASE_TITLE)
                    : $title);
            $title = $this->chance(15) ? (string) preg_replace('/: .*$/u', '', $title) : $title;
            if ($this->chance(8) && strlen($title) > 30) {
                $at = $this->random->getInt(5, strlen($title) - 5);
                $title = mb_scrub(substr($title, 0, $at).substr($title, $at + 1), 'UTF-8');
            }
            $authors = $this->chance(50)
                ? array_map(
                    fn (Name $name): Name => new Name($name->family, mb_substr($name->given, 0, 1).'.'),
                    $authors,
                )
                : $authors;
            $authors = $this->chance(12) ? [$authors[0], new Name('et al.')] : $authors;
        }

        return new Reference(
            $original->type,
            $title,
            $this->chance(4) ? [] : $authors,
            $original->year === null ? null : $original->year + ($copy > 0 && $this->chance(4) ? -1 : 0),
            $original->date,
            $this->chance(30) ? $original->journalShort : $original->journal,
            '',
            $this->chance(8) ? '' : $original->volume,
            $this->chance(15) ? '' : $original->issue,
            $this->chance(10) ? '' : $original->firstPage,
            $this->chance(25) ? '' : $original->lastPage,
            $this->chance(35) ? '' : $original->doi,
            [],
            $this->chance(35) ? '' : $original->abstract,
            $original->keywords,
            $original->language,
            id: sprintf('r%07d', $number),
        );
    }
}
