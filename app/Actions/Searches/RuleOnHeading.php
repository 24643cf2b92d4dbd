<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\WriteLog;
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

    /** Takes back what was said of the two, so that it is open again. */
    public function forget(User $by, Review $review, string $label, Scheme $scheme, string $standsFor): void
    {
        DB::transaction(function () use ($by, $review, $label, $scheme, $standsFor): void {
            $mapping = HeadingMapping::query()
                ->where('review_id', $review->id)
                ->where('label', $label)
                ->where('scheme_id', $scheme->id)
                ->where('stands_for', $standsFor)
                ->first();
            if ($mapping !== null) {
                $mapping->delete();
                ($this->log)(
                    $review,
                    $by,
                    'heading.ruled',
                    "Opened again whether “{$label}” is “{$standsFor}” in {$scheme->title}",
                    $review,
                );
            }
        });
    }

    public function execute(
        User $by,
        Review $review,
        string $label,
        Scheme $scheme,
        string $standsFor,
        bool $isConfirmed,
    ): void {
        DB::transaction(function () use ($by, $review, $label, $scheme, $standsFor, $isConfirmed): void {
            $mapping = HeadingMapping::query()->updateOrCreate(
                ['review_id' => $review->id, 'label' => $label, 'scheme_id' => $scheme->id, 'stands_for' => $standsFor],
                ['is_confirmed' => $isConfirmed, 'ruled_by' => $by->id, 'ruled_at' => now()],
            );
            [$did, $is] = $isConfirmed ? ['Confirmed', 'is'] : ['Said', 'is not'];
            $words = "{$did} that “{$label}” {$is} “{$standsFor}” in {$scheme->title}";
            ($this->log)($review, $by, 'heading.ruled', $words, $mapping);
        });
    }
}
