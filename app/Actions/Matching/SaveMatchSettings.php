<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use WaryHeron\Core\Matching\MatchSettings;

/** Keeps how a team wants its records matched. Nothing is joined or taken apart by that. */
final readonly class SaveMatchSettings
{
    public function __construct(private StartMatching $start, private WriteLog $log)
    {
    }

    /** @return bool whether the records have to be compared again */
    public function execute(User $by, Review $review, MatchSettings $settings): bool
    {
        $again = $settings->emphasis != $review->matchSettings()->emphasis;
        $review->update(['match_settings' => $settings->toArray()]);
        ($this->log)(
            $review,
            $by,
            'matching.settings',
            "Set matching: joined alone from {$settings->certain} bits, asked from {$settings->ask}",
            $review,
            $settings->toArray(),
        );
        if ($again && $review->matchings()->exists()) {
            $this->start->execute($by, $review);
        }

        return $again;
    }
}
