<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Standing;

/** How often a search is run again. */
enum Every: string
{
    case Week = 'week';
    case Fortnight = 'fortnight';
    case Month = 'month';
    case Quarter = 'quarter';

    public function label(): string
    {
        return match ($this) {
            self::Week => 'every week',
            self::Fortnight => 'every two weeks',
            self::Month => 'every month',
            self::Quarter => 'every three months',
        };
    }

    /**
     * The next time after now, in steps from a time before; what was missed while nothing ran is not caught up one by one.
     * In a month that has no such day it is its last.
     */
    public function next(\DateTimeImmutable $from, \DateTimeImmutable $now): \DateTimeImmutable
    {
        for ($step = 1; ($next = $this->after($from, $step)) <= $now; $step++);

        return $next;
    }

    private function after(\DateTimeImmutable $from, int $steps): \DateTimeImmutable
    {
        return match ($this) {
            self::Week => $from->modify('+'.$steps.' weeks'),
            self::Fortnight => $from->modify('+'.(2 * $steps).' weeks'),
            self::Month => self::months($from, $steps),
            self::Quarter => self::months($from, 3 * $steps),
        };
    }

    private static function months(\DateTimeImmutable $from, int $months): \DateTimeImmutable
    {
        $first = $from->modify('first day of this month')->modify("+{$months} months");
        $day = min((int) $from->format('j'), (int) $first->format('t'));

        return $first->setDate((int) $first->format('Y'), (int) $first->format('n'), $day);
    }
}
