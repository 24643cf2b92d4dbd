<?php

declare(strict_types=1);

namespace App\Queries\Screening\Agreed;

use App\Models\Criterion;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\Agreement\AgreementReport;
use WaryHeron\Core\Screening\Agreement\Ratings;
use WaryHeron\Core\Screening\Verdict;

/**
 * Agreement on the items that have opened, from what each person decided before they did: on the verdict, or on one
 * criterion.
 */
final readonly class Agreement
{
    public const ANSWERS = ['yes', 'no', 'unclear'];

    /**
     * @param  list<string>  $categories
     * @param  array<string, string>  $names  by person
     * @param  array<string, list<list<int>>>  $tables  by "first second": rows the first person's verdicts, columns the
     *     second's
     * @param  list<AgreementWeek>  $weeks  by the week in
     *     which items opened
     */
    private function __construct(
        public AgreementReport $report,
        public array $categories,
        public array $names,
        public array $tables,
        public array $weeks,
        public bool $nameless,
    ) {
    }

    public static function of(Stage $stage, ?Criterion $criterion = null, ?User $for = null): self
    {
        // who differs with whom on what is still to be settled would be told by the pairs
        $nameless = $for !== null && Visibility::hidesSomeNames($stage, $for);
        $categories =
            $criterion === null
                ? array_map(fn (Verdict $verdict): string => $verdict->value, Verdict::cases())
                : self::ANSWERS;
        $said = self::rows($stage, $criterion);
        $ratings = Ratings::of($said->all, $categories);
        $report = AgreementReport::of($ratings);
        $tables = [];
        foreach ($report->pairs as $pair) {
            $tables["{$pair->first} {$pair->second}"] = $ratings->table($pair->first, $pair->second);
        }

        return new self(
            $report,
            $categories,
            $nameless ? array_map(fn (): string => 'somebody', $said->names) : $said->names,
            $nameless ? [] : $tables,
            self::weeks($said->byWeek, $categories),
            $nameless,
        );
    }

    private static function rows(Stage $stage, ?Criterion $criterion): SaidRows
    {
        $rows = $names = $byWeek = [];
        foreach (self::decisions($stage) as $decision) {
            $said = $criterion === null
                ? $decision->verdict
                : json_decode($decision->answers, true)[$criterion->id] ?? null;
            if ($said === null) {
                continue;
            }
            $row = [$decision->item_id, $decision->user_id, $said];
            $rows[] = $row;
            $byWeek[CarbonImmutable::parse($decision->opened_at)->startOfWeek()->format('Y-m-d')][] = $row;
            $names[$decision->user_id] = $decision->name;
        }

        return new SaidRows($rows, $names, $byWeek);
    }

    /** @return Collection<int, stdClass> of open items, as they were before people talked */
    private static function decisions(Stage $stage): Collection
    {
        $decisions = DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->join('users', 'users.id', '=', 'decisions.user_id')
            ->where('decisions.review_id', $stage->review_id)
            ->where('decisions.stage_id', $stage->id)
            ->whereNotNull('items.opened_at');
        self::beforeOpening($decisions);

        return $decisions
            ->orderBy('items.position')
            ->select(['decisions.item_id', 'decisions.user_id', 'decisions.verdict', 'decisions.answers'])
            ->addSelect(['users.name', 'items.opened_at'])
            ->get();
    }

    /**
     * @param  array<string, list<array{string, string, string}>>  $byWeek
     * @param  list<string>  $categories
     * @return list<AgreementWeek>
     */
    private static function weeks(array $byWeek, array $categories): array
    {
        ksort($byWeek);
        $weeks = [];
        foreach ($byWeek as $week => $of) {
            $one = AgreementReport::of(Ratings::of($of, $categories));
            $alpha = $one->krippendorff;
            $weeks[] = new AgreementWeek(CarbonImmutable::parse($week), $one->records, $alpha->alpha, $alpha->agreement());
        }

        return $weeks;
    }

    /**
     * What was said before the item opened, not what a discussion made of it. For queries on decisions joined with
     * items.
     */
    public static function beforeOpening(Builder $decisions): Builder
    {
        return $decisions
            ->whereColumn('decisions.created_at', '<=', 'items.opened_at')
            ->whereNotNull('decisions.verdict')
            ->where(
                fn ($then) => $then
                    ->whereNull('decisions.superseded_at')
                    ->orWhereColumn('decisions.superseded_at', '>', 'items.opened_at'),
            );
    }
}
