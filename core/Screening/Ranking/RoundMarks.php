<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** Numbers to stand beside an axis: 1, 2 or 5 with noughts, and their multiples. */
final class RoundMarks
{
    /**
     * @param  int  $most  what the axis reaches to
     * @param  int  $about  how many marks at most
     * @return list<int> ascending, from the first above 0 to the last that is at most $most
     */
    public static function upTo(int $most, int $about = 5): array
    {
        for ($ten = 1; ; $ten *= 10) {
            foreach ([1, 2, 5] as $times) {
                $step = $times * $ten;
                if ($step * $about >= $most) {
                    return $most < $step ? [] : range($step, $most, $step);
                }
            }
        }
    }
}
