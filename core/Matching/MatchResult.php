<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** What matching found: the groups joined without asking, and the pairs that people are asked about. */
final readonly class MatchResult
{
    private Comparator $comparator;

    /**
     * @param  list<Fingerprint>  $prints  sorted by key
     * @param  list<Pair>  $pairs  all that weighed enough to be asked about, best first
     * @param  list<Pair>  $asked  those between groups, best first
     * @param  \Closure(int, int): bool  $areRuled  whether people ruled two places to be two publications
     */
    public function __construct(
        public array $prints,
        public array $pairs,
        private Clusters $clusters,
        public array $asked,
        public Judge $judge,
        private \Closure $areRuled,
    ) {
        $this->comparator = new Comparator();
    }

    /** @return list<list<string>> keys, groups of two or more */
    public function groups(): array
    {
        return $this->keys($this->clusters->groups());
    }

    /** @return list<string> keys of the records that people are asked about */
    public function recordsAsked(): array
    {
        $asked = [];
        foreach ($this->asked as $pair) {
            $asked[$this->prints[$pair->a]->key] = $asked[$this->prints[$pair->b]->key] = true;
        }

        return array_map(strval(...), array_keys($asked));
    }

    /** @return list<list<string>> the groups with the likely pairs joined as well, as long as nothing contradicts */
    public function groupsWithLikely(): array
    {
        $clusters = clone $this->clusters;
        foreach ($this->asked as $pair) {
            if ($pair->verdict !== MatchVerdict::Doubtful) {
                $clusters->join($pair->a, $pair->b, $this->hangTogether($pair, $clusters));
            }
        }

        return $this->keys($clusters->groups());
    }

    /** Two records alone may be joined although something contradicts; that is why it is only likely. */
    private function hangTogether(Pair $pair, Clusters $clusters): bool
    {
        foreach ($clusters->groupOf($pair->a) as $i) {
            foreach ($clusters->groupOf($pair->b) as $j) {
                if (($i !== $pair->a || $j !== $pair->b) && ! $this->mayBeOne($i, $j)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** What people ruled stands; what the records say does not where it is a second DOI or likely all the same. */
    private function mayBeOne(int $a, int $b): bool
    {
        if (($this->areRuled)($a, $b)) {
            return false;
        }
        $comparison = $this->comparator->compare($this->prints[$a], $this->prints[$b]);

        return ! $comparison->contradicts() ||
            $comparison->conflicts() === Conflict::Doi->value ||
            $this->likely($a, $b);
    }

    private function likely(int $a, int $b): bool
    {
        foreach ($this->asked as $pair) {
            if (($pair->a === $a && $pair->b === $b) || ($pair->a === $b && $pair->b === $a)) {
                return $pair->verdict === MatchVerdict::Likely;
            }
        }

        return false;
    }

    /**
     * @param  list<list<int>>  $groups
     * @return list<list<string>>
     */
    private function keys(array $groups): array
    {
        return array_map(
            fn (array $group): array => array_map(fn (int $at): string => $this->prints[$at]->key, $group),
            $groups,
        );
    }
}
