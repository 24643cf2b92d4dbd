<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Review;
use App\Queries\Shared\NextStep;

/** What a review that has just begun still lacks before its first record is judged. */
final readonly class FirstSteps
{
    /** @return list<NextStep> in the order in which they are done; none once there are records and a team */
    public static function of(Review $review, bool $hasCriteria): array
    {
        $question = route('question', $review);
        $hasRecords = $review->records()->exists();
        $hasSearches = $hasRecords || $review->strategies()->exists() || $review->deliveries()->exists();
        $steps = [
            $review->question === '' ? new NextStep('Word the question and its concepts.', $question) : null,
            $hasCriteria
                ? null
                : new NextStep('List the criteria; screening asks them in this order.', "{$question}#criteria"),
            $review->memberships()->count() > 1
                ? null
                : new NextStep('Invite the team: two people judge each record.', route('team', $review)),
            $hasSearches ? null : new NextStep('Build a search.', route('searches', $review)),
            $hasRecords ? null : new NextStep('Deliver files of references.', route('deliveries', $review)),
        ];

        return array_values(array_filter($steps));
    }
}
