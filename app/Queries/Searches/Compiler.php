<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Sources\Sources;
use WaryHeron\Core\Search\Dialect\Compiled;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Strategy\Translated\Translation;

/** Says queries as the sources are asked them: in their dialect, and with their headings. */
final class Compiler
{
    /** @var array<string, Translation> */
    private array $translations = [];

    public function __construct(private readonly Sources $sources)
    {
    }

    public function translation(Review $review, string $source): Translation
    {
        return $this->translations["{$review->id}/{$source}"] ??= new Translation(
            $this->sources->dialect($source),
            Headings::ofSource($source, $review),
        );
    }

    public function compile(Review $review, string $source, Node $node): Compiled
    {
        return $this->translation($review, $source)->query($node);
    }
}
