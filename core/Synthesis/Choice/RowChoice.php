<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Report\Group;
use WaryHeron\Core\Synthesis\Report\Used;

/**
 * How several results of one study become one, so that nobody is counted twice: by time, then by scale, then by what
 * becomes of several groups against one comparator (Higgins & Li 2019).
 */
final readonly class RowChoice
{
    /**
     * @param  ?int  $from  days after the beginning, at least; null for no bound
     * @param  ?int  $nearest  of several times the one nearest to these days, the earlier of two; null for the latest
     * @param  list<string>  $scales  the first that a study has is taken; else the first in alphabetical order
     */
    public function __construct(
        public ?int $from = null,
        public ?int $to = null,
        public ?int $nearest = null,
        public array $scales = [],
        public SeveralGroups $several = SeveralGroups::Combine,
    ) {
    }

    /**
     * @param  iterable<ReportedRow>  $rows
     * @return list<ChosenRow> in the order in which studies come
     */
    public function of(iterable $rows): array
    {
        $studies = [];
        foreach ($rows as $row) {
            if ($this->isInTime($row)) {
                $studies[$row->study][] = $row;
            }
        }
        $chosen = [];
        foreach ($studies as $study => $of) {
            array_push($chosen, ...$this->ofStudy((string) $study, $of));
        }

        return $chosen;
    }

    private function isInTime(ReportedRow $row): bool
    {
        if ($this->from === null && $this->to === null) {
            return true;
        }

        return $row->days !== null && $row->days >= ($this->from ?? PHP_INT_MIN) && $row->days <= ($this->to ?? PHP_INT_MAX);
    }

    /**
     * @param  non-empty-list<ReportedRow>  $rows
     * @return list<ChosenRow>
     */
    private function ofStudy(string $study, array $rows): array
    {
        $why = [];
        $byTime = $this->best($rows, $this->distance(...));
        if (count($byTime) < count($rows)) {
            $why[] = count($rows)." results at several times: day {$byTime[0]->days} is taken, ".
                ($this->nearest === null ? 'the latest' : "nearest to day {$this->nearest}");
        }
        $byScale = $this->best($byTime, fn (ReportedRow $row): array => [$this->rankOf($row->scale), $row->scale]);
        if (count($byScale) < count($byTime)) {
            $why[] = 'several scales: '.($byScale[0]->scale ?: 'the unnamed one').' is taken';
        }

        return count($byScale) === 1
            ? [new ChosenRow($study, [$byScale[0]->id], $byScale[0]->used, '', implode('; ', $why))]
            : $this->severalGroups($study, $byScale, $why);
    }

    /**
     * Those that come first by a key.
     *
     * @param  non-empty-list<ReportedRow>  $rows
     * @param  \Closure(ReportedRow): mixed  $key
     * @return non-empty-list<ReportedRow>
     */
    private function best(array $rows, \Closure $key): array
    {
        $keys = array_map($key, $rows);
        $least = min($keys);
        $best = array_values(array_filter($rows, fn (ReportedRow $row): bool => $key($row) == $least));

        return $best === [] ? $rows : $best;
    }

    /** @return array{int, int} of two that are equally near the earlier comes first: both are the same people */
    private function distance(ReportedRow $row): array
    {
        return match (true) {
            $row->days === null => [PHP_INT_MAX, 0],
            $this->nearest === null => [-$row->days, 0],
            default => [abs($row->days - $this->nearest), $row->days],
        };
    }

    private function rankOf(string $scale): int
    {
        $at = array_search($scale, $this->scales, true);

        return $at === false ? count($this->scales) : $at;
    }

    /**
     * @param  non-empty-list<ReportedRow>  $rows
     * @param  list<string>  $why
     * @return list<ChosenRow>
     */
    private function severalGroups(string $study, array $rows, array $why): array
    {
        $count = count($rows);
        $ids = array_map(fn (ReportedRow $row): string => $row->id, $rows);
        $shared = $this->sharedComparator($rows);
        if ($shared === null) {
            $why[] = "{$count} results with no groups that could be put together: the first is taken, so that nobody counts twice";

            return [new ChosenRow($study, [$ids[0]], $rows[0]->used, '', implode('; ', $why))];
        }
        if ($this->several === SeveralGroups::Split) {
            $why[] = "{$count} groups against one comparator, which is shared out among them";

            return self::sharedOut($study, $rows, $shared->shared($count), implode('; ', $why));
        }
        $why[] = "{$count} groups against one comparator, taken together";
        $one = Group::combined(array_map(fn (ReportedRow $row): Group => $row->used->one ?? new Group(null), $rows));
        $steps = array_merge(...array_map(fn (ReportedRow $row): array => $row->used->steps, $rows));

        return [new ChosenRow($study, $ids, new Used($one, $shared, $steps), '', implode('; ', $why))];
    }

    /**
     * @param  non-empty-list<ReportedRow>  $rows
     * @return list<ChosenRow>
     */
    private static function sharedOut(string $study, array $rows, Group $part, string $why): array
    {
        $used = fn (ReportedRow $row): Used => new Used($row->used->one, $part, $row->used->steps);

        return array_map(
            fn (ReportedRow $row): ChosenRow => new ChosenRow($study, [$row->id], $used($row), $row->arms, $why),
            $rows,
        );
    }

    /**
     * The group that all are compared with; null where they are not, or where an estimate of their own says more than
     * the groups.
     *
     * @param  non-empty-list<ReportedRow>  $rows
     */
    private function sharedComparator(array $rows): ?Group
    {
        $first = $rows[0]->used->two;
        foreach ($rows as $row) {
            if ($row->used->direct !== [] || $row->used->one === null || $row->used->two != $first) {
                return null;
            }
        }

        return $first;
    }
}
