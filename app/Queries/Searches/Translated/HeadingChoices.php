<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

use App\Queries\Searches\Headings;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Tree;

/** A heading that a thesaurus does not have: what stands for it there, and what might. */
final readonly class HeadingChoices
{
    private const MOST = 5;

    /**
     * @param  list<string>  $confirmed
     * @param  list<string>  $refused
     * @param  list<string>  $candidates
     */
    private function __construct(
        public string $label,
        public array $confirmed,
        public array $refused,
        public array $candidates,
    ) {
    }

    /** @return list<self> of the headings of a line, and of branches that are left out of them */
    public static function in(Node $root, Headings $headings): array
    {
        $labels = [];
        foreach (Tree::terms($root) as $term) {
            $labels = [...$labels, ...$term instanceof Heading ? [$term->label, ...$term->less] : []];
        }
        $lacking = array_filter(array_unique($labels), fn (string $label): bool => ! $headings->has($label));

        return array_values(array_map(fn (string $label): self => self::of($label, $headings), $lacking));
    }

    private static function of(string $label, Headings $headings): self
    {
        $confirmed = $headings->confirmed($label);
        $others = array_values(array_diff($headings->candidates($label), $confirmed));

        return new self($label, $confirmed, $headings->refused($label), array_slice($others, 0, self::MOST));
    }
}
