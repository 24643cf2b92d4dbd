<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\Agreement\AgreementReport;
use WaryHeron\Core\Screening\Agreement\Ratings;
use WaryHeron\Core\Screening\Verdict;

/** Agreement on the items that have opened, from what each person decided before they did. */
final readonly class Agreement
{
    /**
     * @param  array<string, mixed>  $report
     * @param  array<string, string>  $names  by person
     * @param  array<string, list<list<int>>>  $tables  by "first second": rows the first person's verdicts, columns the second's
     */
    private function __construct(public array $report, public array $names, public array $tables)
    {
    }

    public static function of(Stage $stage): self
    {
        $decisions = DB::table('decisions')->join('items', 'items.id', '=', 'decisions.item_id')->join('users', 'users.id', '=', 'decisions.user_id')
            ->where('decisions.review_id', $stage->review_id)->where('decisions.stage_id', $stage->id)->whereNotNull('items.opened_at')
            // what was said before the item opened, not what a discussion made of it
            ->whereColumn('decisions.created_at', '<=', 'items.opened_at')->where(fn ($then) => $then->whereNull('decisions.superseded_at')->orWhereColumn('decisions.superseded_at', '>', 'items.opened_at'))
            ->whereNotNull('decisions.verdict')->orderBy('items.position')
            ->get(['decisions.item_id', 'decisions.user_id', 'decisions.verdict', 'users.name']);
        $rows = [];
        $names = [];
        foreach ($decisions as $decision) {
            $rows[] = [$decision->item_id, $decision->user_id, $decision->verdict];
            $names[$decision->user_id] = $decision->name;
        }
        $ratings = Ratings::of($rows, array_map(fn (Verdict $verdict): string => $verdict->value, Verdict::cases()));
        $report = AgreementReport::of($ratings);
        $tables = [];
        foreach ($report['pairs'] as $pair) {
            $tables[implode(' ', $pair['raters'])] = $ratings->table(...$pair['raters']);
        }

        return new self($report, $names, $tables);
    }
}
