<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use WaryHeron\Core\Search\Check\Thesaurus;
use WaryHeron\Core\Vocabulary\Offer;

/** A thesaurus of a review, for the check of its strategies. */
final readonly class CheckedThesaurus implements Thesaurus
{
    /** An offer of a higher rank only shares words with what was typed. */
    private const NAMES = 1;

    public function __construct(private Headings $headings)
    {
    }

    public function title(): string
    {
        return $this->headings->scheme->title;
    }

    public function narrower(string $label): array
    {
        return $this->headings->narrower($label);
    }

    public function above(string $label): array
    {
        return array_merge([], ...$this->headings->paths($label));
    }

    public function named(string $typed): ?Offer
    {
        $offer = $this->headings->offers($typed)[0] ?? null;

        return $offer !== null && $offer->why->rank() <= self::NAMES ? $offer : null;
    }
}
