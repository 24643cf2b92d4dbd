<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Scouting\Answer\Answer;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\Evidence;

/** Why a record stands where it does, in words. */
final class Reasons
{
    public static function of(PlainQuestion $question, Evidence $evidence, Answer $answer): string
    {
        $parts = $evidence->parts;
        $told = array_keys(array_filter([
            'outcome and what is asked about in one sentence' => $question->kind->hasDirection() &&
                $parts['directness'] >= 0.7,
            'what is asked for in one sentence' => ! $question->kind->hasDirection() && $parts['directness'] >= 0.7,
            'outcome and what is asked about only apart' => $parts['directness'] < 0.4 && $parts['both'] >= 0.5,
            'speaks little of what is asked' => $parts['both'] < 0.35,
            'figures with a test or an interval' => $parts['figures'] > 0,
            'the people asked about were studied' => $parts['sample'] > 0,
            'other people were studied' => $parts['others'] > 0,
            'groups compared' => $parts['trial'] > 0,
            'a protocol or no results yet' => $parts['protocol'] >= 0.6,
            'a review of studies' => $parts['review'] > 0,
            'a letter or correction about another paper' => $parts['letter'] >= 0.5,
            'a local project' => $parts['local'] >= 0.6,
            'part of the question was not looked at' => $parts['denied'] >= 0.6,
            'another sentence says the same' => $answer->agreeing > 0,
            'another sentence says otherwise' => $answer->agreeing < 0,
        ]));

        return implode('; ', $told);
    }
}
