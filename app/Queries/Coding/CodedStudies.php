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
        [$asked, $answered] = self::asked($review, $codes, $hand);

        return $asked->areAll() && $codes->isNotEmpty()
            ? DB::query()->fromSub(
                $answered->havingRaw('count(*) >= ?', [$codes->count()])->selectRaw('1'),
                'all',
            )->count()
            : count(self::complete($codes->isEmpty(), $asked, $answered));
    }

    /**
     * @param  string  $hand  as above
     * @return list<string> by the report with which each is coded
     */
    public static function ids(Review $review, string $hand = ''): array
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        [$asked, $answered] = self::asked($review, $codes, $hand);

        return $asked->areAll() && $codes->isNotEmpty()
            ? array_map(
                strval(...),
                array_values(
                    $answered->havingRaw('count(*) >= ?', [$codes->count()])->pluck('answers.publication_id')->all(),
                ),
            )
            : self::complete($codes->isEmpty(), $asked, $answered);
    }

    /**
     * Where not the same is asked of every study, each is looked at by what its answers make it be asked.
     *
     * @return list<string>
     */
    private static function complete(bool $isNothingAsked, AskedItems $asked, Builder $answered): array
    {
        if ($isNothingAsked) {
            return [];
        }
        $complete = [];
        $answered->selectRaw('answers.publication_id, jsonb_object_agg(answers.code_id, answers.value) AS said');
        foreach ($answered->cursor() as $study) {
            $said = json_decode($study->said, true, 8, JSON_THROW_ON_ERROR);
            if (array_diff_key($asked->of($said, (string) $study->publication_id), $said) === []) {
                $complete[] = (string) $study->publication_id;
            }
        }

        return $complete;
    }

    /**
     * @param  Collection<int, CodebookItem>  $codes
     * @return array{AskedItems, Builder} what is asked, and the answers of each study
     */
    private static function asked(Review $review, Collection $codes, string $hand): array
    {
        return [
            new AskedItems(
                array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all()),
                $review->depth(),
            ),
            self::answered($review, $hand)->whereNull('codes.retired_at')->groupBy('answers.publication_id'),
        ];
    }

    private static function answered(Review $review, string $hand): Builder
    {
        $answers = $hand === ''
            ? DB::table('standing_answers AS answers')
            : DB::table('answers')
                ->where('answers.hand', $hand)
                ->whereNull('answers.superseded_at')
                ->whereRaw("(answers.value IS NOT NULL OR answers.kind <> 'value')");

        return $answers
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
