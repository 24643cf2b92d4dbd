<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;
use App\Models\Scouting;
use WaryHeron\Core\Scouting\Named\NamedThing;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Scout;

/** The things of one kind that the papers of a question name. */
final class NamedThings
{
    private const HEADS = [
        'name', 'variants', 'why they are the same', 'papers', 'first year', 'last year', 'definition', 'titles',
    ];

    /** @return list<NamedPapers> those in most papers first */
    public static function of(Scouting $scouting, FoundPapers $papers, NameKind $kind): array
    {
        $scout = new Scout(ReviewFamilies::of($scouting->review, $scouting->question));
        $byId = $papers->answering->keyBy('id');

        return array_map(
            fn (NamedThing $one): NamedPapers => new NamedPapers(
                $one,
                $byId->only($one->ids)
                    ->sortBy(fn (ScoutedPaper $paper): int => $paper->reference()->year ?? 0)
                    ->values(),
            ),
            $scout->named($scout->question($scouting->question), $papers->records(), $kind),
        );
    }

    /**
     * As a table: a heading, then a row for each.
     *
     * @param  list<NamedPapers>  $things
     * @return \Generator<int, list<string|int>>
     */
    public static function rows(array $things): \Generator
    {
        yield self::HEADS;
        foreach ($things as $one) {
            $years = array_keys($one->byYear());
            yield [
                $one->thing->name,
                implode('; ', $one->thing->variants),
                implode('; ', $one->thing->joined),
                count($one->thing->ids),
                (string) ($years[0] ?? ''),
                (string) (end($years) ?: ''),
                $one->thing->definition,
                $one->papers->map(
                    fn (ScoutedPaper $paper): string => $paper->reference()->suppliedTitle(),
                )->implode('; '),
            ];
        }
    }
}
