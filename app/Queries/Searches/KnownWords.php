<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/**
 * Words that are really written somewhere: in the indexes of databases, in the review's own records, in its thesauri.
 */
final readonly class KnownWords
{
    /** So many letters have been typed rightly, as a rule. */
    private const BEGINNING = 2;

    /** The most words that an index is asked for. */
    private const MOST = 1000;

    private const SECONDS = 86_400;

    public function __construct(private Sources $sources)
    {
    }

    /**
     * Those that a word may be meant for: about as long, with the same beginning.
     *
     * @param  list<string>  $sources
     * @return list<string>
     */
    public function like(Review $review, array $sources, string $typed): array
    {
        $beginning = mb_substr($typed, 0, self::BEGINNING);
        [$shortest, $longest] = [max(3, mb_strlen($typed) - 2), mb_strlen($typed) + 2];
        $here = self::here($review, mb_substr($typed, 0, 1), $beginning, $shortest, $longest);
        $listed = array_merge(
            [],
            ...array_map(fn (string $source): array => $this->listed($source, $beginning), $sources),
        );
        $fits = fn (string $word): bool => mb_strlen($word) >= $shortest && mb_strlen($word) <= $longest;

        return array_values(array_unique([...$here, ...array_filter($listed, $fits)]));
    }

    /** @return list<string> words of the thesauri and of the review's records */
    private static function here(Review $review, string $first, string $beginning, int $shortest, int $longest): array
    {
        return array_column(
            DB::select(
                <<<'SQL'
                SELECT DISTINCT word FROM scheme_concepts c JOIN schemes s ON s.id = c.scheme_id, unnest(tsvector_to_array(c.words)) AS word
                WHERE (s.review_id IS NULL OR s.review_id = ?) AND word LIKE ? AND length(word) BETWEEN ? AND ?
                UNION SELECT word FROM review_words WHERE review_id = ? AND word LIKE ? AND length(word) BETWEEN ? AND ? LIMIT 10000
                SQL
                ,
                [$review->id, "{$first}%", $shortest, $longest, $review->id, "{$beginning}%", $shortest, $longest],
            ),
            'word',
        );
    }

    /** @return list<string> */
    private function listed(string $source, string $beginning): array
    {
        try {
            return Cache::remember(
                "words/{$source}/".sha1($beginning),
                self::SECONDS,
                fn (): array => $this->sources->get($source)->words($beginning, self::MOST),
            );
        } catch (SourceFailed) {
            return []; // the thesauri are there without it
        }
    }
}
