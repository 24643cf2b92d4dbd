<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Query\Builder;
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
            $changed = 0;
            foreach ($ids->chunk(5000) as $part) {
                $changed += $on
                    ? DB::table('publication_tags')->insertOrIgnore(
                        $part
                            ->map(
                                fn (string $id): array => [
                                    'review_id' => $review->id,
                                    'publication_id' => $id,
                                    'tag' => $tag,
                                    'user_id' => $by->id,
                                    'created_at' => now(),
                                ],
                            )
                            ->values()
                            ->all(),
                    )
                    : DB::table('publication_tags')
                        ->where('review_id', $review->id)
                        ->where('tag', $tag)
                        ->whereIn('publication_id', $part)
                        ->delete();
            }
            ($this->log)(
                $review,
                $by,
                $on ? 'publications.tagged' : 'publications.untagged',
                ($on ? "Tagged {$changed} publications" : "Took a tag off {$changed} publications").": {$tag}",
                null,
                ['tag' => $tag, 'publications' => $changed],
            );

            return $changed;
        });
    }
}
