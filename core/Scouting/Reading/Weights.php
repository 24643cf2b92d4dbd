<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

/**
 * How much each piece of evidence counts. Fitted by pairwise logistic regression on judged abstracts, eight questions of
 * records alike and sixty over studies of all kinds, a quarter of the questions left out in turn to see what holds for
 * others, and rounded.
 */
final class Weights
{
    public const OF = [
        'sentence' => 0.9,
        'directness' => 1.0,
        'coverage' => 1.9,
        'verbatim' => 1.5,
        'exposure' => 2.6,
        'both' => 1.3,
        'people' => 0.1,
        'sample' => 0.7,
        'observed' => 0.3,
        'protocol' => -1.1,
        'review' => -0.7,
        'letter' => -0.6,
        'local' => -0.4,
        'denied' => -0.4,
        'others' => -0.9,
    ];

    /** Where a record as likely answers as not. */
    private const MIDDLE = 5.2;

    public static function score(Evidence $evidence): float
    {
        $sum = 0.0;
        foreach (self::OF as $part => $weight) {
            $sum += $weight * $evidence->parts[$part];
        }

        return 1 / (1 + exp(self::MIDDLE - $sum));
    }
}
