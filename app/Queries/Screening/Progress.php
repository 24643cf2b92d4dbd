<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Access\Ability;
use App\Models\Membership;
use App\Models\Stage;
use App\Queries\Shared\StageItems;
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
     * @param  Collection<int, PersonProgress>  $people
     * @param  list<DayProgress>  $days
     */
    private function __construct(public Collection $people, public array $days)
    {
    }

    public static function of(Stage $stage, Tallies $tallies): self
    {
        $from = CarbonImmutable::today()->subDays(self::DAYS - 1);
        $daily = self::daily($stage, $from);
        $members = Membership::query()->where('review_id', $stage->review_id)->with('user')->get();
        $judges = $members->filter(fn (Membership $m): bool => $m->role->may(Ability::Screen));
        $counts = ScreenerCounts::byPerson($stage, $tallies, array_values($judges->pluck('user_id')->all()));

        $people = $members
            ->filter(fn (Membership $m): bool => isset($counts[$m->user_id]))
            ->map(fn (Membership $m): PersonProgress => PersonProgress::of(
                $m->user->name,
                $counts[$m->user_id],
                self::spread($from, ($daily[$m->user_id] ?? collect())->pluck('n', 'day')->all()),
            ))
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

    /** @return list<DayProgress> */
    private static function daysOf(Stage $stage, CarbonImmutable $from): array
    {
        $items = fn () => StageItems::of($stage)
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
            fn (int $i): DayProgress => new DayProgress($from->addDays($i), $opened[$i], $disagreements[$i], $settled[$i]),
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
     * @return non-empty-list<int>
     */
    private static function spread(CarbonImmutable $from, array $counts): array
    {
        return array_map(
            fn (int $i): int => (int) ($counts[$from->addDays($i)->format('Y-m-d')] ?? 0),
            range(0, self::DAYS - 1),
        );
    }
}
