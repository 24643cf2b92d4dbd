<?php

declare(strict_types=1);

namespace App\Files\In;

use App\Models\Delivery;
use App\Models\Review;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Format\Reading;

/** How the tables of a source were read last time, for as long as they have the same headings. */
final class RememberedReading
{
    /** @return ?array{columns?: array<int, string>, delimiter?: string, encoding?: string} */
    public static function of(Review $review, string $source, string $path, string $format): ?array
    {
        $kept = json_decode(
            (string) DB::table('source_readings')
                ->where('review_id', $review->id)
                ->where('source_name', $source)
                ->value('reading'),
            true,
        );
        if (! is_array($kept)) {
            return null;
        }
        $headings = self::headings(
            new ReferenceFile(
                $path,
                $format,
                new Reading($kept['reading']['encoding'] ?? null),
                delimiter: $kept['reading']['delimiter'] ?? null,
            ),
        );

        return $headings === ($kept['headings'] ?? []) ? $kept['reading'] : null;
    }

    /** @param  array{columns?: array<int, string>, delimiter?: string, encoding?: string}  $reading */
    public static function keep(Delivery $delivery, array $reading): void
    {
        DB::table('source_readings')->upsert(
            [
                'review_id' => $delivery->review_id,
                'source_name' => $delivery->source_name,
                'reading' => json_encode(
                    ['headings' => $delivery->preview['headings'] ?? [], 'reading' => $reading],
                    JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                ),
                'updated_at' => now(),
            ],
            ['review_id', 'source_name'],
            ['reading', 'updated_at'],
        );
    }

    /** @return list<string> */
    private static function headings(ReferenceFile $file): array
    {
        return $file->preview(0)[0] ?? [];
    }
}
