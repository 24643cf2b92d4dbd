<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\Verdict;

/**
 * What one person decided last at a stage, the latest first, and how often they decided how. Nothing of anybody else.
 */
final readonly class MyDecisions
{
    public const MOST = 50;

    public function __construct(private User $user, private Stage $stage)
    {
    }

    /** @return list<stdClass> each with item, title, meta, verdict, reason, note, at and whether the item has opened */
    public function last(?Verdict $verdict): array
    {
        return array_values(
            $this->standing()
                ->when($verdict !== null, fn (Builder $some) => $some->where('decisions.verdict', $verdict?->value))
                ->join('items', fn ($join) => $join
                    ->on('items.id', '=', 'decisions.item_id')
                    ->on('items.review_id', '=', 'decisions.review_id'))
                ->join('publications', 'publications.id', '=', 'items.publication_id')
                ->whereColumn('publications.review_id', 'items.review_id')
                ->leftJoin('criteria', 'criteria.id', '=', 'decisions.criterion_id')
                ->orderByDesc('decisions.created_at')
                ->orderByDesc('decisions.id')
                ->limit(self::MOST)
                ->select(['decisions.item_id AS item', 'publications.title', 'publications.authors', 'publications.year'])
                ->addSelect(['decisions.verdict', 'criteria.reason', 'decisions.note', 'decisions.created_at AS at'])
                ->addSelect('items.opened_at')
                ->get()
                ->all(),
        );
    }

    /** @return array<string, int> by verdict */
    public function counts(): array
    {
        /** @var array<string, int> */
        return $this->standing()->groupBy('verdict')->selectRaw('verdict, count(*) AS n')->pluck('n', 'verdict')->all();
    }

    private function standing(): Builder
    {
        return DB::table('decisions')
            ->where('decisions.review_id', $this->stage->review_id)
            ->where('decisions.stage_id', $this->stage->id)
            ->where('decisions.user_id', $this->user->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict');
    }
}
