<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Review;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Closure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Sql\SqlCondition;

/**
 * Lets a query of the library ask for what the team added: tags, notes with Talk, and decisions, as far as this person
 * may see them; and for words in the papers that it has.
 */
final class TeamFields
{
    /** @return array<string, Closure(string, list<string|int>): SqlCondition> by Field value */
    public static function of(Review $review, User $user): array
    {
        return [
            Field::Tag->value => fn (string $compared, array $values): SqlCondition => self::within(
                DB::table('publication_tags')
                    ->where('review_id', $review->id)
                    ->whereRaw("words_of(tag) {$compared}", $values)
                    ->select('publication_id'),
            ),
            Field::Note->value => fn (string $compared, array $values): SqlCondition => self::within(
                self::notes($review, $user, $compared, $values),
            ),
            Field::FullText->value => fn (string $compared, array $values): SqlCondition => self::within(
                DB::table('paper_pages')
                    ->join('full_texts', 'full_texts.id', '=', 'paper_pages.full_text_id')
                    ->where('paper_pages.review_id', $review->id)
                    ->whereNull('full_texts.taken_out_at')
                    ->whereNotNull('full_texts.publication_id')
                    ->whereRaw("paper_pages.found_by {$compared}", $values)
                    ->select('full_texts.publication_id'),
            ),
            Field::Decision->value => fn (string $compared, array $values): SqlCondition => self::within(
                self::decisions($review, $user)->whereRaw("decisions.verdict {$compared}", $values),
            ),
        ];
    }

    /**
     * Decisions' notes, those of settlements, and Talk.
     *
     * @param  array<mixed>  $values
     */
    private static function notes(Review $review, User $user, string $compared, array $values): Builder
    {
        $settlements = self::opened('settlements', $review)
            ->whereNull('settlements.superseded_at')
            ->where('settlements.note', '<>', '')
            ->whereRaw("words_of(settlements.note) {$compared}", $values);
        $talk = self::opened('talk_messages', $review)->whereRaw("words_of(talk_messages.body) {$compared}", $values);

        return self::decisions($review, $user)
            ->where('decisions.note', '<>', '')
            ->whereRaw("words_of(decisions.note) {$compared}", $values)
            ->union(self::publications($settlements))
            ->union(self::publications($talk));
    }

    private static function decisions(Review $review, User $user): Builder
    {
        $decisions = DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->where('decisions.review_id', $review->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict');
        Visibility::decisions($decisions, $user);

        return self::publications($decisions);
    }

    private static function opened(string $table, Review $review): Builder
    {
        return DB::table($table)
            ->join('items', 'items.id', '=', "{$table}.item_id")
            ->whereColumn('items.review_id', "{$table}.review_id")
            ->where("{$table}.review_id", $review->id)
            ->whereNotNull('items.opened_at');
    }

    /** What was said of a publication that was found to be another is found with that one. */
    private static function publications(Builder $onItems): Builder
    {
        return $onItems
            ->join('publications AS said_of', 'said_of.id', '=', 'items.publication_id')
            ->whereColumn('said_of.review_id', 'items.review_id')
            ->selectRaw('coalesce(said_of.merged_into, said_of.id)');
    }

    private static function within(Builder $ids): SqlCondition
    {
        /** @var list<string|int> $bindings */
        $bindings = $ids->getBindings();

        return new SqlCondition("publications.id IN ({$ids->toSql()})", $bindings);
    }
}
