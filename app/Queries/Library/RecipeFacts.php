<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Review;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Screening\ItemState;

/**
 * What the team knows of publications, for tables that go to other programs: where each stands, why, its tags and coded
 * answers.
 */
final readonly class RecipeFacts
{
    private const WORDS = [
        'included' => 'included',
        'excluded' => 'excluded',
        'disagreement' => 'in disagreement',
        'waiting' => 'not open yet',
        'awaited' => 'text not at hand',
    ];

    /** @return array<string, string> fields for the coded answers of this review, with their labels */
    public static function answerFields(Review $review): array
    {
        return $review
            ->codes()
            ->orderBy('position')
            ->pluck('label')
            ->mapWithKeys(fn (string $label): array => ["answer:{$label}" => "the coded answer to “{$label}”"])
            ->all();
    }

    /**
     * @param  list<string>  $ids  publications
     * @return array<string, array<string, string>> fields by publication
     */
    public static function of(Review $review, array $ids): array
    {
        $facts = array_fill_keys($ids, ['tags' => '', 'status' => '', 'reason' => '', 'delivered' => '']);
        foreach (Tags::of($review, $ids) as $id => $tags) {
            $facts[$id]['tags'] = implode('; ', $tags);
        }
        self::addStanding($facts, $review, $ids);
        self::addDelivered($facts, $review, $ids);
        self::addAnswers($facts, $review, $ids);

        return $facts;
    }

    /**
     * @param  array<array<string, string>>  $facts  by publication
     * @param  list<string>  $ids
     */
    private static function addStanding(array &$facts, Review $review, array $ids): void
    {
        $items = DB::table('items')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
            ->where('items.review_id', $review->id)
            ->whereIn('items.publication_id', $ids)
            ->whereNotIn('items.state', [ItemState::Folded->value, ItemState::Removed->value])
            ->where('stages.purpose', '<>', 'subset')
            ->orderBy('stages.position')
            ->get(['items.publication_id', 'items.state', 'stages.name', 'stages.after_titles', 'criteria.reason']);
        foreach ($items as $item) {
            // the latest stage it came to has the last word
            $words =
                $item->after_titles && $item->state === ItemState::Awaited->value
                    ? 'title not included yet'
                    : self::WORDS[$item->state] ?? $item->state;
            $facts[$item->publication_id]['status'] = "{$words} at “{$item->name}”";
            $facts[$item->publication_id]['reason'] = (string) $item->reason;
        }
    }

    /**
     * @param  array<array<string, string>>  $facts  by publication
     * @param  list<string>  $ids
     */
    private static function addDelivered(array &$facts, Review $review, array $ids): void
    {
        $first = DB::table('records')
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $ids)
            ->groupBy('publication_id')
            ->selectRaw('publication_id, min(created_at) AS first')
            ->get();
        foreach ($first as $row) {
            $facts[$row->publication_id]['delivered'] = CarbonImmutable::parse($row->first)->format('Y-m-d');
        }
    }

    /**
     * @param  array<array<string, string>>  $facts  by publication
     * @param  list<string>  $ids
     */
    private static function addAnswers(array &$facts, Review $review, array $ids): void
    {
        $answers = DB::table('standing_answers AS answers')
            ->join('codes', 'codes.id', '=', 'answers.code_id')
            ->where('answers.review_id', $review->id)
            ->whereIn('answers.publication_id', $ids)
            ->get(['answers.publication_id', 'codes.label', 'answers.kind', 'answers.value']);
        foreach ($answers as $answer) {
            $facts[$answer->publication_id]["answer:{$answer->label}"] = self::answer($answer->kind, $answer->value);
        }
    }

    private static function answer(string $kind, ?string $json): string
    {
        if ($kind !== AnswerKind::Value->value) {
            return AnswerKind::from($kind)->label();
        }
        $values = array_filter((array) json_decode((string) $json, true), is_scalar(...));

        return implode('; ', array_map(strval(...), $values));
    }
}
