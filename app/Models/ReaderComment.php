<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody outside said about a version of the report, by a reading link.
 *
 * @property string $id
 * @property string $review_id
 * @property string $report_version_id
 * @property string $reading_link_id
 * @property string $link_name
 * @property string $name as they gave it
 * @property string $about a heading of the report; empty where it is about the whole
 * @property string $body
 * @property ?Carbon $done_at
 * @property ?string $done_by
 * @property Carbon $created_at
 * @property ReportVersion $version
 */
final class ReaderComment extends Model
{
    protected $table = 'reader_comments';

    /** @return BelongsTo<ReportVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(ReportVersion::class, 'report_version_id');
    }

    protected function casts(): array
    {
        return ['done_at' => 'immutable_datetime'];
    }
}
