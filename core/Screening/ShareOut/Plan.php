<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

/** Who judges what: for each item as many different people as it needs. */
final readonly class Plan
{
    /** @param  array<string, list<string>>  $people  by item */
    public function __construct(public array $people)
    {
    }

    /** @return array<string, int> items by person */
    public function perPerson(): array
    {
        return self::counted(array_merge(...array_values($this->people) ?: [[]]));
    }

    /**
     * @return array<string, int> items by pair of people, as "a b" with the smaller first; the pairs for which
     *     agreement can be computed
     */
    public function perPair(): array
    {
        $pairs = [];
        foreach ($this->people as $people) {
            sort($people);
            foreach ($people as $i => $a) {
                foreach (array_slice($people, $i + 1) as $b) {
                    $pairs[] = "{$a} {$b}";
                }
            }
        }

        return self::counted($pairs);
    }

    /**
     * @param  list<string>  $all
     * @return array<string, int>
     */
    private static function counted(array $all): array
    {
        $counts = array_count_values($all);
        ksort($counts);

        return $counts;
    }
}
