<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** Groups of records that grow pair by pair, and never so that two contradict each other or were ruled different. */
final class Clusters
{
    /** @var array<int, int> the group of each record that is in one */
    private array $groupOf = [];

    /** @var array<int, list<int>> */
    private array $members = [];

    /** @param  \Closure(int, int): bool  $contradict  whether two records must not be in one group */
    public function __construct(private readonly \Closure $contradict)
    {
    }

    /** Joins the groups of two records; false, and nothing done, where a record of one contradicts one of the other. */
    public function join(int $a, int $b, bool $whateverContradicts = false): bool
    {
        $one = $this->groupOf[$a] ?? null;
        $other = $this->groupOf[$b] ?? null;
        if ($a === $b || ($one !== null && $one === $other)) {
            return true;
        }
        $left = $one === null ? [$a] : $this->members[$one];
        $right = $other === null ? [$b] : $this->members[$other];
        if (! $whateverContradicts) {
            foreach ($left as $i) {
                foreach ($right as $j) {
                    if (($this->contradict)($i, $j)) {
                        return false;
                    }
                }
            }
        }
        $group = min($one ?? $a, $other ?? $b);
        foreach ([$one, $other] as $old) {
            if ($old !== null) {
                unset($this->members[$old]);
            }
        }
        $this->members[$group] = [...$left, ...$right];
        foreach ($this->members[$group] as $member) {
            $this->groupOf[$member] = $group;
        }

        return true;
    }

    public function together(int $a, int $b): bool
    {
        return isset($this->groupOf[$a]) && $this->groupOf[$a] === ($this->groupOf[$b] ?? null);
    }

    /** @return list<int> the group of a record, itself included */
    public function groupOf(int $record): array
    {
        return isset($this->groupOf[$record]) ? $this->members[$this->groupOf[$record]] : [$record];
    }

    /** @return list<list<int>> groups of two or more, each in order, in order of their first */
    public function groups(): array
    {
        $groups = array_map(function (array $members): array {
            sort($members);

            return $members;
        }, array_values($this->members));
        usort($groups, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $groups;
    }
}
