<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Alder;

use WaryHeron\Core\Search\Sql\HeadingNumbers;

/** Alder's thesaurus: each heading has a number, its place in the file from 1. */
final class Headings implements HeadingNumbers
{
    /** @var array<string, list<string>> */
    private array $parents;

    /** @var array<string, int> by label in lower case */
    private array $numbers = [];

    public function __construct()
    {
        $this->parents = require __DIR__.'/thesaurus.php';
        foreach (array_keys($this->parents) as $i => $label) {
            $this->numbers[mb_strtolower($label)] = $i + 1;
        }
    }

    public function numberOf(string $label): ?int
    {
        return $this->numbers[mb_strtolower($label)] ?? null;
    }

    /**
     * @param  list<string>  $labels
     * @return list<int>
     */
    public function numbers(array $labels): array
    {
        return array_values(array_unique(array_map(fn (string $label): int => $this->numberOf($label) ?? throw new \LogicException("No heading “{$label}”."), $labels)));
    }

    /**
     * The numbers of the headings and of everything above them, so that a broad heading finds the narrow ones.
     *
     * @param  list<string>  $labels
     * @return list<int>
     */
    public function closure(array $labels): array
    {
        $all = [];
        while ($labels !== []) {
            $label = array_pop($labels);
            $all[$label] = true;
            array_push($labels, ...array_filter($this->parents[$label], fn (string $parent): bool => ! isset($all[$parent])));
        }

        return $this->numbers(array_keys($all));
    }
}
