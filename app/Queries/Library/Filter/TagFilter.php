<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What bears a tag. */
final readonly class TagFilter implements Filter
{
    private function __construct(private string $tag)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $tag = $asked->text('tag', 60);

        return $tag === '' ? [] : [new self($tag)];
    }

    public function key(): string
    {
        return 'tag';
    }

    public function words(): string
    {
        return "tagged “{$this->tag}”";
    }

    public function apply(Builder $publications): void
    {
        $publications->whereExists(
            fn (Builder $tags) => $tags
                ->selectRaw('1')
                ->from('publication_tags')
                ->whereColumn('publication_tags.review_id', 'publications.review_id')
                ->whereColumn('publication_tags.publication_id', 'publications.id')
                ->where('publication_tags.tag', $this->tag),
        );
    }
}
