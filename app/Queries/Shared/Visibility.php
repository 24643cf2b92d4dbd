<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Item;
use App\Models\LogEntry;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Contracts\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What blinding lets a person see: of an item that has not opened, what they themselves did and nothing else.
 *
 * Every list, count, export and log that touches decisions goes through here.
 */
final class Visibility
{
    /** For queries on decisions joined with items. */
    public static function decisions(Builder $query, User $user): Builder
    {
        return $query->where(
            fn (Builder $any) => $any->whereNotNull('items.opened_at')->orWhere('decisions.user_id', $user->id),
        );
    }

    /** For queries on decisions joined with items: those that the person may not see yet. */
    public static function hiddenDecisions(Builder $query, User $user): Builder
    {
        return $query->whereNull('items.opened_at')->where('decisions.user_id', '<>', $user->id);
    }

    /** For queries on log_entries. */
    public static function log(Builder $query, User $user): Builder
    {
        return $query->where(
            fn (Builder $any) => $any
                ->whereNull('log_entries.blinded_item_id')
                ->orWhere('log_entries.user_id', $user->id)
                ->orWhereExists(
                    fn (Builder $item) => $item
                        ->selectRaw('1')
                        ->from('items')
                        ->whereColumn('items.review_id', 'log_entries.review_id')
                        ->whereColumn('items.id', 'log_entries.blinded_item_id')
                        ->whereNotNull('items.opened_at'),
                ),
        );
    }

    /** What stands for a name that whoever settles is not to see. */
    public const NAMELESS = 'A reviewer';

    /**
     * SQL that is true of an item, with this person's id bound once, where they see what was said but not by whom: an
     * open disagreement, of others, at a stage without names.
     */
    public const NAMES_HIDDEN = "(items.state = 'disagreement' AND EXISTS (SELECT 1 FROM stages hiding WHERE hiding.id = items.stage_id AND hiding.names_hidden)
        AND NOT EXISTS (SELECT 1 FROM decisions own WHERE own.review_id = items.review_id AND own.item_id = items.id AND own.user_id = ? AND own.superseded_at IS NULL AND own.verdict IS NOT NULL))";

    public static function hidesNames(Item $item, User $user): bool
    {
        return DB::table('items')
            ->where('items.review_id', $item->review_id)
            ->where('items.id', $item->id)
            ->whereRaw(self::NAMES_HIDDEN, [$user->id])
            ->exists();
    }

    /**
     * Takes the names off entries of the Log where they are hidden from this person.
     *
     * @param  iterable<LogEntry>  $entries
     */
    public static function withoutNames(iterable $entries, User $user): void
    {
        $items = self::itemsOf($entries);
        $hidden =
            $items === []
                ? []
                : DB::table('items')
                    ->whereIn('items.review_id', collect($entries)->pluck('review_id')->unique()->all())
                    ->whereIn('items.id', array_unique($items))
                    ->whereRaw(self::NAMES_HIDDEN, [$user->id])
                    ->pluck('id')
                    ->flip()
                    ->all();
        foreach ($entries as $entry) {
            if (isset($items[$entry->id], $hidden[$items[$entry->id]])) {
                $entry->setRelation('user', new User(['name' => self::NAMELESS]));
            }
        }
    }

    /**
     * For queries on log_entries by who did it: without those whose name is hidden from this person, so that a filter
     * does not tell it.
     */
    public static function namedInLog(Builder $query, User $user): Builder
    {
        $hidden = fn (Builder $item) => $item
            ->selectRaw('1')
            ->from('items')
            ->whereColumn('items.review_id', 'log_entries.review_id')
            ->whereRaw(self::NAMES_HIDDEN, [$user->id]);
        $query->whereNotExists(
            fn (Builder $item) => $hidden($item)->whereColumn('items.id', 'log_entries.blinded_item_id'),
        );
        foreach (['Proposal' => 'proposals', 'TalkMessage' => 'talk_messages'] as $subject => $table) {
            $query->whereNotExists(
                fn (Builder $item) => $hidden($item)
                    ->whereNull('log_entries.blinded_item_id')
                    ->where('log_entries.subject_type', $subject)
                    ->whereExists(fn (Builder $one) => $one
                        ->selectRaw('1')
                        ->from($table)
                        ->whereColumn("{$table}.id", 'log_entries.subject_id')
                        ->whereColumn("{$table}.item_id", 'items.id')),
            );
        }

        return $query;
    }

    /**
     * Proposals and Talk did not name their item in the Log at first; they are found by what they are about.
     *
     * @param  iterable<LogEntry>  $entries
     * @return array<string, string> items by entry
     */
    private static function itemsOf(iterable $entries): array
    {
        $all = collect($entries);
        $items = $all->whereNotNull('blinded_item_id')->pluck('blinded_item_id', 'id')->all();
        foreach (['Proposal' => 'proposals', 'TalkMessage' => 'talk_messages'] as $subject => $table) {
            $unnamed = $all->whereNull('blinded_item_id')->where('subject_type', $subject);
            $of = $unnamed->isEmpty()
                ? collect()
                : DB::table($table)->whereIn('id', $unnamed->pluck('subject_id'))->pluck('item_id', 'id');
            foreach ($unnamed as $entry) {
                $items[$entry->id] = (string) $of[$entry->subject_id];
            }
        }

        return $items;
    }

    /** Whether names are hidden from this person of anything that is open at a stage. */
    public static function hidesSomeNames(Stage $stage, User $user): bool
    {
        return $stage->names_hidden &&
            StageItems::of($stage)
                ->whereRaw(self::NAMES_HIDDEN, [$user->id])
                ->exists();
    }
}
