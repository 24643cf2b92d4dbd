<?php

declare(strict_types=1);

namespace App\Queries\Library;

use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Sql\WordList;

/** The words that publications of a review have or had. */
final readonly class ReviewWords implements WordList
{
    public function __construct(private string $reviewId)
    {
    }

    public function matching(string $pattern, int $most): array
    {
        /** @var list<string> */
        return DB::table('review_words')
            ->where('review_id', $this->reviewId)
            ->whereRaw('word ~ ?', [$pattern])
            ->limit($most)
            ->pluck('word')
            ->all();
    }

    /** @return list<string> the words of a tsvector's text as IndexedText writes it */
    public static function of(string $tsvector): array
    {
        return preg_match_all("/'([^']+)':/", $tsvector, $found) > 0 ? $found[1] : [];
    }

    /** @param  list<string>  $words */
    public static function add(string $reviewId, array $words): void
    {
        if ($words !== []) {
            sort($words); // in one order, so that two at once never wait for each other crosswise
            DB::insert(
                'INSERT INTO review_words (review_id, word) SELECT ?, unnest(?::text[]) ON CONFLICT DO NOTHING',
                [$reviewId, '{"'.implode('","', $words).'"}'],
            );
        }
    }
}
