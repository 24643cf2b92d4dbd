<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Access\Ability;
use App\Models\Membership;
use App\Models\Stage;
use App\Queries\Shared\Tallies;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How far each screener is: done, left and the pace, never what they decided. */
final readonly class Progress
{
    /** Days that a pace is taken from, and that a chart shows. */
    public const DAYS = 14;

    /**
     * @param  Collection<int, array{name: string, done: int, left: int, today: int, days: list<int>, pace: float,
     *     end: ?CarbonImmutable}>  $people  days: decisions on each of the last days, the latest last; pace: decisions a day
     * @param  list<array{day: CarbonImmutable, opened: int, disagreements: int, settled: int}>  $days
     */
    private function __construct(public Collection $people, public array $days)
    {
    }

    public static function of(Stage $stage, Tallies $tallies): self
    {
        $from = CarbonImmutable::today()->subDays(self::DAYS - 1);
        $daily = self::daily($stage, $from);
        $members = Membership::query()->where('review_id', $stage->review_id)->with('user')->get();
        $counts = ScreenerCounts::byPerson(
            $stage,
            $tallies,
            array_values(
                $members
                    ->filter(fn (Membership $m): bool => $m->role->may(Ability::Screen))
                    ->map(fn (Membership $m): string => $m->user_id)
                    ->all(),
            ),
        );

        $people = $members
            ->filter(fn (Membership $m): bool => isset($counts[$m->user_id]))
            ->map(fn (Membership $m): array => [
                'name' => $m->user->name,
                ...self::person($counts[$m->user_id], ($daily[$m->user_id] ?? collect())->pluck('n', 'day')->all(), $from),
            ])
            ->sortBy('name')
            ->values();

        return new self($people, self::daysOf($stage, $from));
    }

    /** @return Collection<string, Collection<int, stdClass>> how many decisions by person and day */
    private static function daily(Stage $stage, CarbonImmutable $from): Collection
    {
        return DB::table('decisions')
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->whereNull('superseded_at')
            ->whereNotNull('verdict')
            ->where('created_at', '>=', $from)
            ->groupByRaw('1, 2')
            ->selectRaw('user_id, created_at::date AS day, count(*) AS n')
            ->get()
            ->groupBy('user_id');
    }

    /**
     * @param  array<string, int>  $byDay
     * @return array{done: int, left: int, today: int, days: list<int>, pace: float, end: ?CarbonImmutable}
     */
    private static function person(ScreenerCounts $counts, array $byDay, CarbonImmutable $from): array
    {
        $days = self::spread($from, $byDay);
        $pace = self::pace($days);
        $isEndless = $counts->left === 0 || $pace <= 0.0;

        return [
            'done' => $counts->done,
            'left' => $counts->left,
            'today' => $days[self::DAYS - 1],
            'days' => $days,
            'pace' => $pace,
            'end' => $isEndless ? null : CarbonImmutable::today()->addDays((int) ceil($counts->left / $pace)),
        ];
    }

    /**
     * Decisions a day since the first of these days on which there was any: who began this morning was not slow last
     * week.
     *
     * @param  list<int>  $days
     */
    private static function pace(array $days): float
    {
        $first = array_key_first(array_filter($days));

        return $first === null ? 0.0 : (float) (array_sum($days) / (self::DAYS - $first));
    }

    /** @return list<array{day: CarbonImmutable, opened: int, disagreements: int, settled: int}> */
    private static function daysOf(Stage $stage, CarbonImmutable $from): array
    {
        $items = fn () => DB::table('items')
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->where('opened_at', '>=', $from)
            ->groupByRaw('1')
            ->selectRaw('opened_at::date AS day, count(*) AS n');
        $opened = self::spread($from, $items()->pluck('n', 'day')->all());
        $disagreements = self::spread(
            $from,
            $items()->where(fn ($any) => $any->whereNotNull('kind')->orWhere('settled', true))->pluck('n', 'day')->all(),
        );
        $settled = self::spread($from, self::settled($stage, $from));

        return array_map(
            fn (int $i): array => [
                'day' => $from->addDays($i),
                'opened' => $opened[$i],
                'disagreements' => $disagreements[$i],
                'settled' => $settled[$i],
            ],
            range(0, self::DAYS - 1),
        );
    }

    /** @return array<string, int> by day */
    private static function settled(Stage $stage, CarbonImmutable $from): array
    {
        return DB::table('settlements')
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->whereNull('superseded_at')
            ->where('created_at', '>=', $from)
            ->groupByRaw('1')
            ->selectRaw('created_at::date AS day, count(*) AS n')->pluck('n', 'day')
            ->all();
    }

    /**
     * @param  array<string, int|string>  $counts  by day
     * @return list<int>
     */
    private static function spread(CarbonImmutable $from, array $counts): array
    {
        return array_map(
            fn (int $i): int => (int) ($counts[$from->addDays($i)->format('Y-m-d')] ?? 0),
            range(0, self::DAYS - 1),
        );
    }
}
