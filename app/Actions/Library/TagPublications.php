<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Puts a tag on publications, or takes it off. */
final readonly class TagPublications
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  Builder  $publications  a query on publications of this review
     * @return int how many were changed
     */
    public function execute(User $by, Review $review, Builder $publications, string $tag, bool $on): int
    {
        return DB::transaction(function () use ($by, $review, $publications, $tag, $on): int {
            $ids = (clone $publications)->pluck('publications.id');
            $n = 0;
            foreach ($ids->chunk(5000) as $part) {
                $n += $on ? $this->put($by, $review, $part, $tag) : $this->take($review, $part, $tag);
            }
            $what = $on ? "Tagged {$n} publications" : "Took a tag off {$n} publications";
            $action = $on ? 'publications.tagged' : 'publications.untagged';
            ($this->log)($review, $by, $action, "{$what}: {$tag}", null, ['tag' => $tag, 'publications' => $n]);

            return $n;
        });
    }

    /** @param  Collection<int, string>  $publications */
    private function put(User $by, Review $review, Collection $publications, string $tag): int
    {
        $tagged = ['review_id' => $review->id, 'tag' => $tag, 'user_id' => $by->id, 'created_at' => now()];
        $rows = $publications->map(fn (string $id): array => ['publication_id' => $id, ...$tagged]);

        return DB::table('publication_tags')->insertOrIgnore($rows->values()->all());
    }

    /** @param  Collection<int, string>  $publications */
    private function take(Review $review, Collection $publications, string $tag): int
    {
        return DB::table('publication_tags')
            ->where('review_id', $review->id)
            ->where('tag', $tag)
            ->whereIn('publication_id', $publications)
            ->delete();
    }
}
