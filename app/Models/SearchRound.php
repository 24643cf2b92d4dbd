<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One time that a standing search was run, and how far it has come.
 *
 * @property string $id
 * @property string $review_id
 * @property string $standing_search_id
 * @property ?string $task_id
 * @property string $step search, fetch, match, join, share or done
 * @property list<string> $runs
 * @property list<string> $deliveries
 * @property ?string $matching_id
 * @property ?string $share_out_id
 * @property int $records that were new
 * @property int $publications that were new
 * @property string $trouble in words
 * @property Carbon $began_at
 * @property ?Carbon $ended_at
 * @property StandingSearch $standing
 */
final class SearchRound extends Model
{
    public const SEARCH = 'search';

    public const FETCH = 'fetch';

    public const MATCH = 'match';

    public const JOIN = 'join';

    public const SHARE = 'share';

    public const DONE = 'done';

    protected $table = 'search_rounds';

    public $timestamps = false;

    protected $attributes = ['runs' => '[]', 'deliveries' => '[]', 'records' => 0, 'publications' => 0, 'trouble' => ''];

    /** @return BelongsTo<StandingSearch, $this> */
    public function standing(): BelongsTo
    {
        return $this->belongsTo(StandingSearch::class, 'standing_search_id');
    }

    protected function casts(): array
    {
        return [
            'runs' => 'array',
            'deliveries' => 'array',
            'began_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
        ];
    }
}
