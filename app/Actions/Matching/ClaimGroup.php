<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Marks a group as open with one person for a while, so that two people are not shown the same. */
final class ClaimGroup
{
    private const MINUTES = 5;

    /** @param  list<string>  $publications */
    public function execute(User $by, string $reviewId, array $publications): void
    {
        DB::insert(
            <<<'SQL'
            INSERT INTO claims (review_id, record_id, user_id, until)
            SELECT review_id, min(id), ?, ? FROM records WHERE review_id = ? AND publication_id = ANY (?::bpchar[]) GROUP BY review_id, publication_id
            ON CONFLICT (review_id, record_id) DO UPDATE SET user_id = EXCLUDED.user_id, until = EXCLUDED.until WHERE claims.until < now() OR claims.user_id = EXCLUDED.user_id
            SQL
            ,
            [$by->id, now()->addMinutes(self::MINUTES), $reviewId, '{'.implode(',', $publications).'}'],
        );
    }
}
