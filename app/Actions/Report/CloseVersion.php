<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\ReviewVersion;
use App\Models\User;
use App\Queries\FullTexts\Studies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Holds fast what a review has come to, so that the flow diagram tells what comes later apart from it. */
final readonly class CloseVersion
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If nothing is included. */
    public function execute(User $by, Review $review, string $name): ReviewVersion
    {
        return $review->whileLocked(function () use ($by, $review, $name): ReviewVersion {
            $included = Studies::includedReports($review);
            if ($included === []) {
                throw new Refused('Nothing is included yet, so there is no version to hold fast.');
            }
            $number = 1 + (int) ReviewVersion::query()->where('review_id', $review->id)->max('number');
            $version = ReviewVersion::query()->create([
                'id' => strtolower((string) Str::ulid()),
                'review_id' => $review->id,
                'number' => $number,
                'name' => $name === '' ? "Version {$number}" : $name,
                'studies' => Studies::included($review),
                'reports' => count($included),
                'included' => $included,
                'closed_by' => $by->id,
                'closed_at' => now(),
            ]);
            ($this->log)($review, $by, 'review.version', "Held fast “{$version->name}”: {$version->reports} reports included");

            return $version;
        });
    }

    /** The last one only: what came since counts to it again. */
    public function takeBack(User $by, Review $review): void
    {
        DB::transaction(function () use ($by, $review): void {
            $version = ReviewVersion::latest($review) ?? throw new Refused('There is no version to take back.');
            $version->delete();
            ($this->log)($review, $by, 'review.version', "Took back “{$version->name}”");
        });
    }
}
