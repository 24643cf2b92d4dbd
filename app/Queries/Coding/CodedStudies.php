<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AskedItems;

/** How many included studies have an answer to everything that the codebook asks of them. */
final class CodedStudies
{
    /** @param  string  $hand  a coder, for what they answered themselves; empty for what counts */
    public static function count(Review $review, string $hand = ''): int
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        if ($codes->isEmpty()) {
            return 0;
        }
        $asked = new AskedItems(
            array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all()),
            $review->depth(),
        );
        $answered = self::answered($review, $hand)->whereNull('codes.retired_at')->groupBy('answers.publication_id');

        return $asked->areAll()
            ? DB::query()->fromSub($answered->havingRaw('count(*) >= ?', [$codes->count()])->selectRaw('1'), 'all')->count()
            : self::complete($asked, $answered);
    }

    /** Where not the same is asked of every study, each is looked at by what its answers make it be asked. */
    private static function complete(AskedItems $asked, Builder $answered): int
    {
        $complete = 0;
        foreach ($answered->selectRaw('jsonb_object_agg(answers.code_id, answers.value) AS said')->cursor() as $study) {
            $said = json_decode($study->said, true, 8, JSON_THROW_ON_ERROR);
            $complete += array_diff_key($asked->of($said), $said) === [] ? 1 : 0;
        }

        return $complete;
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
