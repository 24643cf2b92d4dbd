<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\ReviewVersion;
use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** What no record told of when a version of the review was held fast. */
final readonly class SinceVersionFilter implements Filter
{
    private function __construct(private ReviewVersion $version)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $id = $asked->id('since');
        $version = $id === null ? null : ReviewVersion::query()->where('review_id', $place->review->id)->find($id);

        return $version === null ? [] : [new self($version)];
    }

    public function key(): string
    {
        return 'since';
    }

    public function words(): string
    {
        return "new since {$this->version->name}";
    }

    public function apply(Builder $publications): void
    {
        self::leaveNew($publications, 'publications.id', $this->version);
    }

    /** @param  string  $publication  the column that names it */
    public static function leaveNew(Builder $query, string $publication, ReviewVersion $version): void
    {
        $query->whereNotIn($publication, fn (Builder $records) => $records
            ->select('records.publication_id')
            ->from('records')
            ->where('records.review_id', $version->review_id)
            ->where('records.created_at', '<=', $version->closed_at)
            ->whereNull('records.withdrawn_at')
            ->whereNotNull('records.publication_id'));
    }
}
