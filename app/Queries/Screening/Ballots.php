<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Item;
use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\Ballot;
use WaryHeron\Core\Screening\Decision;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Verdict;

/** What stands on items of a stage, read for the core. */
final class Ballots
{
    /**
     * @param  list<string>  $itemIds
     * @param  Stage  $rules  the stage as it is, or as it would be
     * @param  ?list<stdClass>  $said  what was said on them, where it has been read
     * @return array<string, Ballot> by item
     */
    public static function of(Stage $rules, array $itemIds, ?array $said = null): array
    {
        $rule = $rules->rule();
        $places = null; // asked for when somebody excluded
        $core = function (stdClass $one) use (&$places, $rules): Decision {
            return new Decision(
                $one->user_id,
                Verdict::from($one->verdict),
                $one->criterion_id === null ? null : ($places ??= $rules->places())[$one->criterion_id] ?? null,
            );
        };
        $by = self::byItem($said ?? self::said($rules, $itemIds));
        $ballots = [];
        foreach ($itemIds as $id) {
            $all = $by->decisions[$id] ?? [];
            // of one who judged both records of a publication before they were known to be one, the later decision
            // stands; the earlier is heard
            $standing = array_column($all, null, 'user_id');
            $heard = $by->heardAt[$id] ?? null;
            $settlement = self::standingSettlement($by->settlements[$id] ?? null, $heard);
            $ballots[$id] = Ballot::of(
                $rule,
                array_map($core, array_values($standing)),
                $settlement === null ? null : $core($settlement),
                array_map($core, self::alsoHeard($all, $standing, $heard)),
            );
        }

        return $ballots;
    }

    /** One from before somebody's decisions came to the item has not heard them. */
    private static function standingSettlement(?stdClass $settlement, ?string $heard): ?stdClass
    {
        return $settlement !== null && $heard !== null && $settlement->created_at < $heard ? null : $settlement;
    }

    /**
     * @param  list<stdClass>  $all
     * @param  array<string, stdClass>  $standing  by person
     * @return list<stdClass>
     */
    private static function alsoHeard(array $all, array $standing, ?string $heard): array
    {
        return $heard === null ? [] : array_values(array_filter(
            $all,
            fn (stdClass $one): bool => $one !== $standing[$one->user_id] &&
                $standing[$one->user_id]->created_at <= $heard,
        ));
    }

    /** @param  list<stdClass>  $said */
    private static function byItem(array $said): SaidByItem
    {
        $decisions = $settlements = $heardAt = [];
        foreach ($said as $one) {
            match ($one->kind) {
                'decision' => ($decisions[$one->item_id][] = $one),
                'settlement' => ($settlements[$one->item_id] = $one),
                default => ($heardAt[$one->item_id] = max(
                    $heardAt[$one->item_id] ?? $one->created_at,
                    $one->created_at,
                )),
            };
        }

        return new SaidByItem($decisions, $settlements, $heardAt);
    }

    /**
     * What was said on one item, and beside it what one person's deciding has to reckon with: read after the item is
     * locked, for each decision, in one query.
     */
    public static function around(Item $item, ?string $userId, ?string $clientKey): SaidOnItem
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT 'decision' AS kind, item_id, user_id, verdict, criterion_id, created_at, id FROM decisions WHERE review_id = ? AND item_id = ? AND superseded_at IS NULL
            UNION ALL SELECT 'settlement', item_id, user_id, verdict, criterion_id, created_at, id FROM settlements WHERE review_id = ? AND item_id = ? AND superseded_at IS NULL
            UNION ALL SELECT 'before', item_id, user_id, NULL, NULL, created_at, id FROM decisions WHERE review_id = ? AND user_id = ? AND client_key = ?
            UNION ALL SELECT 'share', item_id, user_id, NULL, NULL, NULL, NULL FROM assignments WHERE review_id = ? AND item_id = ? AND user_id = ?
            UNION ALL SELECT 'joined', NULL, NULL, NULL, NULL, NULL, id FROM publications WHERE review_id = ? AND merged_into = ?
            ORDER BY created_at, id
            SQL
            ,
            [
                $item->review_id,
                $item->id,
                $item->review_id,
                $item->id,
                $item->review_id,
                $userId,
                $clientKey,
                $item->review_id,
                $item->id,
                $userId,
                $item->review_id,
                $item->publication_id,
            ],
        );
        $of = [];
        foreach ($rows as $row) {
            $of[$row->kind][] = $row;
        }
        $current = $of['decision'] ?? [];
        $mine = array_values(array_filter($current, fn (stdClass $one): bool => $one->user_id === $userId))[0] ?? null;
        // where others were joined with this publication, what was said on them counts too
        $said = isset($of['joined'])
            ? self::said($item->stage, [$item->id])
            : [
                ...array_filter($current, fn (stdClass $one): bool => $one->verdict !== null),
                ...$of['settlement'] ?? [],
            ];

        return new SaidOnItem(array_values($said), $mine, $of['before'][0]->id ?? null, isset($of['share']));
    }

    /**
     * What was decided and settled on items, in the order it was said, and since when others count for them: of
     * publications that were found to be the same.
     *
     * @param  list<string>  $itemIds
     * @return list<stdClass>
     */
    private static function said(Stage $stage, array $itemIds): array
    {
        $in = '{'.implode(',', $itemIds).'}';

        return array_values(
            DB::select(
                <<<'SQL'
                WITH folded AS (
                    SELECT folded.id, kept.id AS kept, coalesce(folded.folded_at, now()) AS at FROM items kept
                    JOIN publications ON publications.review_id = kept.review_id AND publications.merged_into = kept.publication_id
                    JOIN items folded ON folded.review_id = kept.review_id AND folded.publication_id = publications.id AND folded.stage_id = kept.stage_id
                    WHERE kept.review_id = ? AND kept.id = ANY (?::bpchar[]) AND folded.state = ?
                )
                SELECT 'decision' AS kind, item_id, user_id, verdict, criterion_id, created_at, id FROM decisions WHERE review_id = ? AND item_id = ANY (?::bpchar[]) AND superseded_at IS NULL AND verdict IS NOT NULL
                UNION ALL SELECT 'decision', folded.kept, user_id, verdict, criterion_id, created_at, decisions.id FROM folded JOIN decisions ON decisions.review_id = ? AND decisions.item_id = folded.id AND superseded_at IS NULL AND verdict IS NOT NULL
                UNION ALL SELECT 'settlement', item_id, user_id, verdict, criterion_id, created_at, id FROM settlements WHERE review_id = ? AND item_id = ANY (?::bpchar[]) AND superseded_at IS NULL
                UNION ALL SELECT 'folded', kept, NULL, NULL, NULL, at, id FROM folded
                ORDER BY created_at, id
                SQL
                ,
                [
                    $stage->review_id,
                    $in,
                    ItemState::Folded->value,
                    $stage->review_id,
                    $in,
                    $stage->review_id,
                    $stage->review_id,
                    $in,
                ],
            ),
        );
    }
}
