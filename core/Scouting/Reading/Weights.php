<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/**
 * How much each piece of evidence counts. Fitted by pairwise logistic regression on judged abstracts, each question
 * left out in turn to see what holds for others, and rounded.
 */
final class Weights
{
    public const OF = [
        'sentence' => 2.0,
        'directness' => 1.1,
        'exposure' => 0.9,
        'outcome' => 0.6,
        'both' => 1.4,
        'people' => 0.6,
        'sample' => 1.4,
        'figures' => 0.3,
        'trial' => 0.6,
        'observed' => 0.7,
        'protocol' => -1.2,
        'review' => -0.5,
        'letter' => -0.5,
        'local' => -0.3,
        'denied' => -0.7,
        'others' => -0.8,
    ];

    /** Where a record as likely answers as not. */
    private const MIDDLE = 4.6;

    public static function score(Evidence $evidence): float
    {
        $sum = 0.0;
        foreach (self::OF as $part => $weight) {
            $sum += $weight * $evidence->parts[$part];
        }

        return 1 / (1 + exp(self::MIDDLE - $sum));
    }
}
