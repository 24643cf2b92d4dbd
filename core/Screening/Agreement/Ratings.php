<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Who put which item into which category. An item that a rater did not judge is missing, never a category. */
final readonly class Ratings
{
    /**
     * @param  list<string>  $categories  all that were offered, in the project's order, unused ones too
     * @param  list<string>  $raters
     * @param  array<string, array<string, int>>  $byItem  index of the category by rater, by item
     */
    private function __construct(public array $categories, public array $raters, public array $byItem)
    {
    }

    /**
     * @param  iterable<array{string, string, string}>  $rows  item, rater, category
     * @param  ?list<string>  $categories  those that occur, in alphabetical order, if left out
     *
     * @throws \DomainException If a rater judges an item twice, or a category was not offered.
     */
    public static function of(iterable $rows, ?array $categories = null): self
    {
        $rows = is_array($rows) ? array_values($rows) : iterator_to_array($rows, false);
        if ($categories === null) {
            $categories = array_values(array_unique(array_column($rows, 2)));
            sort($categories);
        }
        $index = array_flip($categories);
        $raters = [];
        $byItem = [];
        foreach ($rows as [$item, $rater, $category]) {
            if (! isset($index[$category])) {
                throw new \DomainException(
                    "“{$category}” is not one of the categories: ".implode(', ', $categories).'.',
                );
            }
            if (isset($byItem[$item][$rater])) {
                throw new \DomainException("{$rater} has judged {$item} already.");
            }
            $byItem[$item][$rater] = $index[$category];
            $raters[$rater] = true;
        }
        $raters = array_map(strval(...), array_keys($raters));
        sort($raters);

        return new self($categories, $raters, $byItem);
    }

    /**
     * @return list<list<int>> how often each pair of categories was given: rows the first rater's, columns the second's
     */
    public function table(string $first, string $second): array
    {
        $k = count($this->categories);
        $table = array_fill(0, $k, array_fill(0, $k, 0));
        foreach ($this->byItem as $ratings) {
            if (isset($ratings[$first], $ratings[$second])) {
                $table[$ratings[$first]][$ratings[$second]]++;
            }
        }

        return array_map(array_values(...), $table);
    }

    /** @return list<list<int>> for each item that at least $least raters judged, how many chose each category */
    public function counts(int $least): array
    {
        $counts = [];
        foreach ($this->byItem as $ratings) {
            if (count($ratings) >= $least) {
                $row = array_fill(0, count($this->categories), 0);
                foreach ($ratings as $category) {
                    $row[$category]++;
                }
                $counts[] = array_values($row);
            }
        }

        return $counts;
    }

    /**
     * @param  list<list<int>>  $counts  as counts() gives them
     * @return list<float> of each category, of all ratings
     */
    public static function shares(array $counts): array
    {
        $all = array_sum(array_map(array_sum(...), $counts));

        return array_map(
            fn (int $k): float => array_sum(array_column($counts, $k)) / $all,
            array_keys($counts[0] ?? []),
        );
    }
}
