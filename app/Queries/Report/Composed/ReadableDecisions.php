<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Review;
use App\Models\Stage;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** What outsiders may read of the decisions of a stage: what was opened, with its reason. */
final readonly class ReadableDecisions
{
    public const PAGE = 500;

    private const ENDED = [ItemState::Included->value, ItemState::Excluded->value];

    public function __construct(private Stage $stage)
    {
    }

    /** @return Collection<int, Stage> those from records to studies, full text first, with so many "ended" */
    public static function stages(Review $review): Collection
    {
        $ended = DB::table('items')
            ->where('review_id', $review->id)
            ->whereIn('state', self::ENDED)
            ->whereNotNull('opened_at')
            ->groupBy('stage_id')
            ->selectRaw('stage_id, count(*) AS ended')
            ->pluck('ended', 'stage_id');

        return $review->stages
            ->filter(fn (Stage $one): bool => $one->purpose->isOnTheLine())
            ->each(fn (Stage $one) => $one->setAttribute('ended', (int) ($ended[$one->id] ?? 0)))
            ->reverse()
            ->values();
    }

    /** @return Collection<int, stdClass> included ones, then those excluded, each with its reason */
    public function page(int $page): Collection
    {
        return StageItems::withPublications($this->stage)
            ->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
            ->whereIn('items.state', self::ENDED)
            ->whereNotNull('items.opened_at')
            ->orderByRaw("items.state = 'included' DESC")
            ->orderBy('publications.first_author')
            ->orderBy('publications.id')
            ->forPage($page, self::PAGE)
            ->get([
                'items.id AS item', 'publications.id', 'publications.title', 'publications.authors', 'publications.year', 'publications.doi',
                'items.state', 'criteria.reason',
            ]);
    }

    /**
     * Who decided, or settled what others decided otherwise.
     *
     * @param  Collection<int, stdClass>  $shown  a page as above
     * @return array<string, string> by item
     */
    public function deciders(Collection $shown): array
    {
        $by = fn (string $table): Builder => DB::table($table)
            ->where("{$table}.review_id", $this->stage->review_id)
            ->where("{$table}.stage_id", $this->stage->id)
            ->whereIn("{$table}.item_id", $shown->pluck('item'))
            ->whereNull("{$table}.superseded_at")
            ->select("{$table}.item_id", "{$table}.user_id");

        return DB::query()
            ->fromSub($by('decisions')->union($by('settlements')), 'by')
            ->join('users', 'users.id', '=', 'by.user_id')
            ->groupBy('by.item_id')
            ->selectRaw("by.item_id, string_agg(users.name, ', ' ORDER BY users.name) AS names")
            ->pluck('names', 'item_id')
            ->all();
    }
}
