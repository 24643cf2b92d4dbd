<?php

declare(strict_types=1);

namespace App\Files;

use App\Actions\Shared\Refused;
use App\Models\Review;
use Illuminate\Support\Facades\DB;

/** How much of the disk the files of one review may take. */
final class Store
{
    /** @throws Refused If the review's files and this one would be more. */
    public static function refuseBeyond(Review $review, int $bytes, string $name): void
    {
        $gigabytes = (float) config('heron.review_gigabytes');
        $has = (int) DB::scalar(
            'SELECT (SELECT coalesce(sum(file_size), 0) FROM deliveries WHERE review_id = ?) + (SELECT coalesce(sum(bytes + read_bytes), 0) FROM full_texts WHERE review_id = ? AND taken_out_at IS NULL)',
            [$review->id, $review->id],
        );
        if ($has + $bytes > $gigabytes * 1024 ** 3) {
            throw new Refused(
                "The files of this review would come to more than {$gigabytes} GB with “{$name}”. Nothing was kept of it; whoever runs this copy can allow more.",
            );
        }
    }
}
