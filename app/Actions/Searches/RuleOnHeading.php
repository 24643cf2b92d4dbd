<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\WriteLog;
use App\Models\HeadingMapping;
use App\Models\Review;
use App\Models\Scheme;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Keeps what a person says of two headings, for this and every later strategy of the review. */
final readonly class RuleOnHeading
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Review $review, string $label, Scheme $scheme, string $standsFor, bool $isConfirmed): void
    {
        DB::transaction(function () use ($by, $review, $label, $scheme, $standsFor, $isConfirmed): void {
            $mapping = HeadingMapping::query()->updateOrCreate(
                ['review_id' => $review->id, 'label' => $label, 'scheme_id' => $scheme->id, 'stands_for' => $standsFor],
                ['is_confirmed' => $isConfirmed, 'ruled_by' => $by->id, 'ruled_at' => now()],
            );
            ($this->log)($review, $by, 'heading.ruled', $isConfirmed ? "Confirmed that “{$label}” is “{$standsFor}” in {$scheme->title}" : "Said that “{$label}” is not “{$standsFor}” in {$scheme->title}", $mapping);
        });
    }
}
