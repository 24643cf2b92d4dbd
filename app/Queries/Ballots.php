<?php

declare(strict_types=1);

namespace App\Queries;

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
     * @return array<string, Ballot> by item
     */
    public static function of(Stage $rules, array $itemIds): array
    {
        $rule = $rules->rule();
        $places = null; // asked for when somebody excluded
        $core = function (stdClass $one) use (&$places, $rules): Decision {
            return new Decision($one->user_id, Verdict::from($one->verdict), $one->criterion_id === null ? null : ($places ??= $rules->places())[$one->criterion_id] ?? null);
        };
        $counts = self::foldedInto($rules, $itemIds);
        $heardAt = [];
        foreach ($counts as [$item, $at]) {
            $heardAt[$item] = max($heardAt[$item] ?? $at, $at);
        }
        $in = fn (array $ids): string => '{'.implode(',', $ids).'}';
        $decisions = $settlements = $ballots = [];
        $said = DB::select(<<<'SQL'
            SELECT false AS settles, item_id, user_id, verdict, criterion_id, created_at, id FROM decisions WHERE review_id = ? AND item_id = ANY (?::bpchar[]) AND superseded_at IS NULL AND verdict IS NOT NULL
            UNION ALL SELECT true, item_id, user_id, verdict, criterion_id, created_at, id FROM settlements WHERE review_id = ? AND item_id = ANY (?::bpchar[]) AND superseded_at IS NULL
            ORDER BY created_at, id
            SQL, [$rules->review_id, $in([...$itemIds, ...array_keys($counts)]), $rules->review_id, $in($itemIds)]);
        foreach ($said as $one) {
            if ($one->settles) {
                $settlements[$one->item_id] = $one;
            } else {
                $decisions[$counts[$one->item_id][0] ?? $one->item_id][] = $one;
            }
        }
        foreach ($itemIds as $id) {
            $all = $decisions[$id] ?? [];
            // of one who judged both records of a publication before they were known to be one, the later decision stands; the earlier is heard
            $standing = array_column($all, null, 'user_id');
            $heard = $heardAt[$id] ?? null;
            $also = $heard === null ? [] : array_filter($all, fn (stdClass $one): bool => $one !== $standing[$one->user_id] && $standing[$one->user_id]->created_at <= $heard);
            // a settlement from before somebody's decisions came to this item has not heard them
            $settlement = isset($settlements[$id]) && ($heard === null || $settlements[$id]->created_at >= $heard) ? $settlements[$id] : null;
            $ballots[$id] = Ballot::of($rule, array_map($core, array_values($standing)), $settlement === null ? null : $core($settlement), array_map($core, array_values($also)));
        }

        return $ballots;
    }

    /**
     * @param  list<string>  $itemIds
     * @return array<string, array{string, string}> items of publications found to be one of these, by id, with the item they count for and since when
     */
    private static function foldedInto(Stage $stage, array $itemIds): array
    {
        $rows = DB::select(<<<'SQL'
            SELECT folded.id, kept.id AS kept, coalesce(folded.folded_at, now()) AS at FROM items folded
            JOIN publications ON publications.id = folded.publication_id JOIN items kept ON kept.publication_id = publications.merged_into AND kept.stage_id = folded.stage_id
            WHERE folded.review_id = ? AND folded.stage_id = ? AND folded.state = ? AND kept.id = ANY (?::bpchar[])
            SQL, [$stage->review_id, $stage->id, ItemState::Folded->value, '{'.implode(',', $itemIds).'}']);

        return array_combine(array_column($rows, 'id'), array_map(fn (stdClass $row): array => [$row->kept, $row->at], $rows));
    }
}
