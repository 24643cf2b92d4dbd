<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $review_id
 * @property string $kind
 * @property string $source_kind database, register or other
 * @property string $source_name
 * @property Carbon $searched_on
 * @property string $notes
 * @property ?string $file_name
 * @property ?string $file_hash
 * @property ?int $file_size
 * @property ?string $run_id
 * @property ?string $full_text_id the copy whose list of references it is
 * @property ?string $source_key
 * @property bool $only_new
 * @property int $passed_over
 * @property string $platform
 * @property string $format
 * @property string $remarks
 * @property array{columns?: array<int, string>, delimiter?: string, encoding?: string} $reading
 * @property ?array{headings: list<string>, rows: list<list<string>>, guess: array<int, string>, delimiter: string,
 *     encoding: string} $preview of a table
 * @property ?Carbon $withdrawn_at
 * @property ?string $query_sent
 * @property ?string $task_id
 * @property string $state
 * @property string $failure
 * @property ?int $expected
 * @property int $position
 * @property int $kept
 * @property int $rejected
 * @property int $already_here
 * @property int $new
 * @property string $created_by
 * @property ?Carbon $finished_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property User $creator
 * @property ?Run $run
 * @property Review $review
 * @property Task $task
 */
final class Delivery extends Model
{
    protected $table = 'deliveries';

    public const UNDER_WAY = ['looking', 'queued', 'running'];

    /** @return BelongsTo<User, $this> */
    public function creator(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return HasMany<Rejection, $this> */
    public function rejections(): HasMany
    {
        $many = $this->hasMany(Rejection::class);
        $many->orderBy('position');

        return $many;
    }

    /** @return HasMany<Record, $this> */
    public function records(): HasMany
    {
        return $this->hasMany(Record::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    protected function casts(): array
    {
        return [
            'only_new' => 'boolean',
            'reading' => 'array',
            'preview' => 'array',
            'withdrawn_at' => 'immutable_datetime',
            'searched_on' => 'immutable_date',
            'finished_at' => 'immutable_datetime',
        ];
    }

    /** Whether its work waits for a worker or has one. */
    public function isUnderWay(): bool
    {
        return in_array($this->state, self::UNDER_WAY, true);
    }
}
