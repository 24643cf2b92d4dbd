<?php

declare(strict_types=1);

namespace App\Actions\Question;

use App\Actions\Shared\WriteLog;
use App\Models\Concept;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

final readonly class ChangeQuestion
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @param  array<string, string>  $concepts text by PICO part */
    public function execute(User $by, Review $review, string $title, string $question, array $concepts): void
    {
        DB::transaction(function () use ($by, $review, $title, $question, $concepts): void {
            $before = [
                'title' => $review->title,
                'question' => $review->question,
                'concepts' => $review->concepts()->pluck('text', 'kind')->all(),
            ];
            $review->update(['title' => $title, 'question' => $question]);
            foreach ($concepts as $kind => $text) {
                Concept::query()->updateOrCreate(['review_id' => $review->id, 'kind' => $kind], ['text' => $text]);
            }
            ($this->log)($review, $by, 'question.changed', 'Changed the question or its concepts', $review, [
                'before' => $before,
                'after' => compact('title', 'question', 'concepts'),
            ]);
        });
    }
}
