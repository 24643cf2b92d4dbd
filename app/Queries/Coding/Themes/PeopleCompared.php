<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\Review;
use WaryHeron\Core\Coding\ThemeAgreement;

/** Two people's passages beside each other, once both are chosen. */
final readonly class PeopleCompared
{
    /**
     * @param  array<string, string>  $people  who can be compared
     * @param  list<string>  $compared  who are
     * @param  array<string, ThemeAgreement>  $agreements  by theme
     */
    private function __construct(public array $people, public array $compared, public array $agreements)
    {
    }

    public static function of(Review $review, ThemeTree $tree, string $one, string $other): self
    {
        $people = ThemeComparison::people($review);
        $compared = array_values(array_intersect([$one, $other], array_keys($people)));
        $agreements = count(array_unique($compared)) === 2
            ? ThemeComparison::of($review, $tree, $compared[0], $compared[1])
            : [];

        return new self($people, $compared, $agreements);
    }
}
