<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Review;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Every decision that a person may see, as rows of a table: who, what, why, and what became of the item. */
final class DecisionRows
{
    private const PART = 2000;

    private const COLUMNS = [
        'publication',
        'title',
        'doi',
        'stage',
        'person',
        'verdict',
        'reason',
        'note',
        'decided at',
        'state',
        'settled as',
        'settled by',
        'how',
        'settled reason',
        'settled note',
    ];

    /**
     * @return \Generator<int, list<string|int|null>> the first row names the columns; read in parts, for there may be
     *     many
     */
    public static function of(Review $review, User $user): \Generator
    {
        $criteria = $review->criteria()->pluck('question', 'id')->all();
        yield [...self::COLUMNS, ...array_values($criteria)];
        $after = '';
        do {
            $rows = Visibility::decisions(self::query($review, $user, $after), $user)->get();
            foreach ($rows as $row) {
                $answers = json_decode($row->answers, true);
                $said = array_map(fn (string $id): ?string => $answers[$id] ?? null, array_keys($criteria));
                yield [...self::told($row), ...$said];
                $after = $row->id;
            }
        } while (count($rows) === self::PART);
    }

    private static function query(Review $review, User $user, string $after): Builder
    {
        return self::joined()
            ->where('decisions.review_id', $review->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->where('decisions.id', '>', $after)
            ->orderBy('decisions.id')
            ->limit(self::PART)
            ->selectRaw(Visibility::NAMES_HIDDEN.' AS nameless', [$user->id])
            ->addSelect(['decisions.id', 'publications.id AS publication', 'publications.title', 'publications.doi'])
            ->addSelect(['stages.name AS stage', 'users.name AS person', 'decisions.verdict', 'criteria.reason'])
            ->addSelect(['decisions.note', 'decisions.created_at', 'decisions.answers', 'items.state'])
            ->addSelect(['settlements.verdict AS settled_as', 'settler.name AS settled_by', 'settlements.how'])
            ->addSelect(['final.reason AS settled_reason', 'settlements.note AS settled_note']);
    }

    private static function joined(): Builder
    {
        return DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn([['items.review_id', 'decisions.review_id'], ['publications.review_id', 'items.review_id']])
            ->join('users', 'users.id', '=', 'decisions.user_id')
            ->leftJoin('criteria', 'criteria.id', '=', 'decisions.criterion_id')
            ->leftJoin('settlements', self::standing(...))
            ->leftJoin('users AS settler', 'settler.id', '=', 'settlements.user_id')
            ->leftJoin('criteria AS final', 'final.id', '=', 'settlements.criterion_id');
    }

    private static function standing(JoinClause $settlements): void
    {
        $settlements
            ->on('settlements.review_id', '=', 'items.review_id')
            ->on('settlements.item_id', '=', 'items.id')
            ->whereNull('settlements.superseded_at');
    }

    /** @return list<?string> */
    private static function told(stdClass $row): array
    {
        return [
            $row->publication,
            $row->title,
            $row->doi,
            $row->stage,
            $row->nameless ? Visibility::NAMELESS : $row->person,
            $row->verdict,
            $row->reason,
            $row->note,
            $row->created_at,
            $row->state,
            $row->settled_as,
            $row->settled_by,
            $row->how,
            $row->settled_reason,
            $row->settled_note,
        ];
    }
}
