<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AskedItems;

/** How many included studies have an answer to everything that the codebook asks of them. */
final class CodedStudies
{
    /** @param  string  $hand  a coder, for what they answered themselves; empty for what counts */
    public static function count(Review $review, string $hand = ''): int
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        [$asked, $answered] = [self::asked($review, $codes), self::byStudy($review, $hand)];

        return $asked->areAll() && $codes->isNotEmpty()
            ? DB::query()->fromSub(
                $answered->havingRaw('count(DISTINCT answers.code_id) >= ?', [$codes->count()])->selectRaw('1'),
                'all',
            )->count()
            : count(self::complete($review, $asked, $answered));
    }

    /**
     * @param  string  $hand  as above
     * @return list<string> by the report with which each is coded
     */
    public static function ids(Review $review, string $hand = ''): array
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        [$asked, $answered] = [self::asked($review, $codes), self::byStudy($review, $hand)];

        return $asked->areAll() && $codes->isNotEmpty()
            ? array_map(
                strval(...),
                array_values(
                    $answered->havingRaw('count(DISTINCT answers.code_id) >= ?', [$codes->count()])->pluck('answers.publication_id')->all(),
                ),
            )
            : self::complete($review, $asked, $answered);
    }

    /**
     * Where not the same is asked of every study, each is looked at by what its answers make it be asked.
     *
     * @return list<string>
     */
    private static function complete(Review $review, AskedItems $asked, Builder $answered): array
    {
        if ($asked->entries === []) {
            return [];
        }
        $parts = self::parts($review);
        $complete = [];
        $answered->selectRaw(
            'answers.publication_id, jsonb_agg(jsonb_build_array(answers.part_id, answers.code_id, answers.value)) AS said',
        );
        foreach ($answered->cursor() as $study) {
            $said = [];
            foreach (json_decode($study->said, true, 8, JSON_THROW_ON_ERROR) as [$part, $code, $value]) {
                $said[$part ?? ''][$code] = $value;
            }
            $id = (string) $study->publication_id;
            if ($asked->areAnswered($said, $parts[$id] ?? [], $id)) {
                $complete[] = $id;
            }
        }

        return $complete;
    }

    /** @return array<string, array<string, string>> kinds of the parts of each study, by part */
    private static function parts(Review $review): array
    {
        $kinds = [];
        foreach (DB::table('study_parts')->where('review_id', $review->id)->whereNull('retired_at')->get() as $part) {
            $kinds[$part->publication_id][$part->id] = $part->kind;
        }

        return $kinds;
    }

    /** @param  Collection<int, CodebookItem>  $codes */
    private static function asked(Review $review, Collection $codes): AskedItems
    {
        $entries = array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all());

        return new AskedItems($entries, $review->depth());
    }

    /** The answers of each study. */
    private static function byStudy(Review $review, string $hand): Builder
    {
        return self::answered($review, $hand)->whereNull('codes.retired_at')->groupBy('answers.publication_id');
    }

    private static function answered(Review $review, string $hand): Builder
    {
        return DB::table('answers')
            ->where('answers.hand', $hand)
            ->whereNull('answers.superseded_at')
            ->whereRaw("(answers.value IS NOT NULL OR answers.kind <> 'value')")
            ->join('codes', 'codes.id', '=', 'answers.code_id')
            ->join(
                'coded_reports',
                fn ($join) => $join
                    ->on('coded_reports.publication_id', '=', 'answers.publication_id')
                    ->on('coded_reports.review_id', '=', 'answers.review_id'),
            )
            ->where('answers.review_id', $review->id)
            ->where('coded_reports.review_id', $review->id)
            ->where('coded_reports.stage_id', $review->lastStage()->id);
    }
}
