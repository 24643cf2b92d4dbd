<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Convert\ArmMoments;
use WaryHeron\Core\Synthesis\Convert\Arms;

/** What is used of one group: how many people, and either how many had the event, or mean and SD. */
final readonly class Group
{
    public function __construct(
        public ?float $n,
        public ?float $events = null,
        public ?float $mean = null,
        public ?float $sd = null,
    ) {
    }

    /**
     * Several as one (Higgins & Li 2019).
     *
     * @param  non-empty-list<self>  $groups
     */
    public static function combined(array $groups): self
    {
        if (count($groups) === 1) {
            return $groups[0];
        }
        $sum = fn (\Closure $of): ?float => in_array(null, $all = array_map($of, $groups), true) ? null : (float) array_sum($all);
        $moments = fn (self $one): ArmMoments => new ArmMoments($one->n, $one->mean, $one->sd);
        $means = Arms::combined(array_map($moments, $groups));
        [$n, $events] = [$sum(fn (self $one) => $one->n), $sum(fn (self $one) => $one->events)];

        return new self($n, $events, $means->mean, $means->sd);
    }

    /** An equal share of it, where it stands against several others: fewer people, the same mean and SD. */
    public function shared(int $by): self
    {
        return new self(
            $this->n === null ? null : $this->n / $by,
            $this->events === null ? null : $this->events / $by,
            $this->mean,
            $this->sd,
        );
    }

    /** For a column of a forest plot: “7/86”, or “4.9 (1.5), 60”. */
    public function shown(): string
    {
        return match (true) {
            $this->n === null => '',
            $this->events !== null => self::short($this->events).'/'.self::short($this->n),
            $this->mean !== null && $this->sd !== null => self::short($this->mean).' ('.self::short($this->sd).'), '.self::short($this->n),
            default => self::short($this->n),
        };
    }

    private static function short(float $number): string
    {
        return $number === round($number)
            ? (string) (int) $number
            : rtrim(rtrim(sprintf(abs($number) >= 100 ? '%.0f' : (abs($number) >= 10 ? '%.1f' : '%.2f'), $number), '0'), '.');
    }
}
