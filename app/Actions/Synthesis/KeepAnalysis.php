<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Shared\WriteLog;
use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;

final readonly class KeepAnalysis
{
    public function __construct(private WriteLog $log)
    {
    }

    public function begin(User $by, Review $review, string $title, AnalysisTerms $terms): KeptAnalysis
    {
        return DB::transaction(function () use ($by, $review, $title, $terms): KeptAnalysis {
            $analysis = KeptAnalysis::query()->create([
                'review_id' => $review->id,
                'title' => $title,
                'terms' => $terms->toArray(),
                'user_id' => $by->id,
            ]);
            ($this->log)($review, $by, 'analysis.added', "Defined the analysis “{$title}”", $analysis, $terms->toArray());

            return $analysis;
        });
    }

    public function change(User $by, Review $review, KeptAnalysis $analysis, string $title, AnalysisTerms $terms): void
    {
        DB::transaction(function () use ($by, $review, $analysis, $title, $terms): void {
            $before = $analysis->terms;
            $analysis->update(['title' => $title, 'terms' => $terms->toArray()]);
            ($this->log)($review, $by, 'analysis.changed', "Changed the analysis “{$title}”", $analysis, [
                'before' => $before,
                'after' => $terms->toArray(),
            ]);
        });
    }

    public function retire(User $by, Review $review, KeptAnalysis $analysis): void
    {
        DB::transaction(function () use ($by, $review, $analysis): void {
            $analysis->update(['retired_at' => now()]);
            ($this->log)($review, $by, 'analysis.retired', "Retired the analysis “{$analysis->title}”", $analysis);
        });
    }
}
