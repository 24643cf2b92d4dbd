<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/**
 * Invents publications: the same number always gives the same one.
 *
 * A study is drawn first (topic, people, design, size, effect) and then told, so that title, methods and results agree.
 *
 * @phpstan-import-type Topic from Story
 */
final class StudyWriter
{
    /** @var non-empty-list<Topic> */
    private array $topics;

    /** @var list<array{string, string, string, int, list<string>}> */
    private array $journals;

    /** @var array{family: non-empty-list<string>, given: non-empty-list<string>, places: non-empty-list<string>} */
    private array $names;

    public function __construct(private readonly string $seed = 'heron')
    {
        $this->topics = require __DIR__.'/Vocabulary/topics.php';
        $this->journals = require __DIR__.'/Vocabulary/journals.php';
        $this->names = require __DIR__.'/Vocabulary/names.php';
    }

    public function study(int $number): Study
    {
        $chance = new Chance("{$this->seed}/{$number}");
        $topic = $chance->weighted(array_map(fn (array $t): array => [$t, (float) $t['share']], $this->topics));
        $year = min(2025, max(1985, (int) round(2025 - abs($chance->normal(0, 13)))));
        $design = $this->design($chance, $topic, $year);
        $story = new Story($chance, $topic, $design, $this->names['places']);
        $journal =
            $chance->is(0.05) &&
            in_array($design, ['trial', 'crossover', 'before-after', 'survey'], true) &&
            $topic['group'] === 'work'
                ? $this->journals[40]
                : $chance->one(
                    array_values(
                        array_filter(
                            $this->journals,
                            fn (array $j): bool => in_array($topic['group'], $j[4], true) && $j[3] <= $year,
                        ),
                    ) ?: [$this->journals[25]],
                );
        $first = $chance->int(1, 1800);
        $last =
            $first +
            (in_array($design, ['letter', 'editorial', 'conference'], true) ? $chance->int(0, 2) : $chance->int(4, 16));
        $language = $chance->weighted([
            ['english', 88],
            ['german', 3.2],
            ['french', 2.5],
            ['spanish', 2.2],
            ['portuguese', 1.4],
            ['japanese', 1.5],
            ['polish', 1.2],
        ]);
        $noAbstract = in_array($design, ['letter', 'editorial'], true)
            ? $chance->is(0.9)
            : $chance->is($year < 1992 ? 0.3 : 0.03);

        return new Study(
            $number,
            $topic['key'],
            $story->title(),
            $noAbstract ? '' : $story->abstract(),
            $this->authors($chance, $design),
            $year,
            $journal,
            (string) ($year - $journal[3] + 1),
            $chance->is(0.9) ? (string) $chance->int(1, 12) : '',
            $design === 'conference' ? 'S'.$chance->int(1, 240) : (string) $first,
            $design === 'conference' || $last === $first ? '' : (string) $last,
            $chance->is($year < 1998 ? 0.35 : 0.93)
                ? sprintf(
                    '10.7%04d/%s.%d.%s%04d',
                    1000 + (crc32($journal[2]) % 8000),
                    strtolower(preg_replace('/[^A-Z]/', '', $journal[0]) ?? ''),
                    $year,
                    $chance->one(['', '0', 'x']),
                    $number % 10000,
                )
                : '',
            $language,
            $this->types($design),
            ...[...$this->headings($chance, $story), $story->facts()],
        );
    }

    /** @param  array<string, mixed>  $topic */
    private function design(Chance $chance, array $topic, int $year): string
    {
        $lab = $topic['key'] === 'clock-lab' || $topic['group'] === 'farm';

        return $chance->weighted([
            ['trial', $lab ? 18 : 15],
            ['crossover', $lab ? 20 : 8],
            ['cluster', $lab ? 0 : 4],
            ['before-after', $lab ? 2 : 9],
            ['cohort', $lab ? 1 : 12],
            ['survey', $lab ? 0 : 16],
            ['interviews', $lab ? 0 : 8],
            ['systematic', $year > 1995 ? 5 : 1],
            ['narrative', 6],
            ['protocol', $year > 2004 && ! $lab ? 4 : 0],
            ['case', $lab ? 0 : 3],
            ['letter', 2.5],
            ['editorial', 2.5],
            ['conference', 6],
        ]);
    }

    /** @return list<array{string, string}> */
    private function authors(Chance $chance, string $design): array
    {
        $count = match ($design) {
            'editorial', 'letter' => $chance->int(1, 3),
            'cluster', 'cohort' => $chance->int(4, 11),
            default => $chance->int(2, 8),
        };
        $authors = [];
        for ($i = 0; $i < $count; $i++) {
            $given = $chance->one($this->names['given']);
            $authors[] = [
                $chance->one($this->names['family']),
                $given.($chance->is(0.3) ? ' '.chr($chance->int(65, 90)).'.' : ''),
            ];
        }

        return $authors;
    }

    /** @return list<string> */
    private function types(string $design): array
    {
        return match ($design) {
            'trial', 'crossover', 'cluster' => ['Journal article', 'Randomised trial'],
            'before-after', 'cohort', 'survey' => ['Journal article', 'Observational study'],
            'interviews' => ['Journal article', 'Qualitative study'],
            'systematic' => ['Journal article', 'Systematic review'],
            'narrative' => ['Journal article', 'Review'],
            'protocol' => ['Journal article', 'Trial protocol'],
            'case' => ['Case report'],
            'letter' => ['Letter'],
            'editorial' => ['Editorial'],
            'conference' => ['Conference abstract'],
            default => ['Journal article'],
        };
    }

    /** @return array{list<string>, list<string>} */
    private function headings(Chance $chance, Story $story): array
    {
        if ($chance->is(0.07)) {
            return [[], []]; // not indexed yet
        }
        [$central, $further] = $story->ideas();
        $dropped = $chance->is(0.25) ? $chance->int(1, 2) : 0;
        $further = array_slice($further, 0, max(1, count($further) - $dropped));

        return [array_values(array_unique([...$central, ...$further])), $central];
    }
}
