<?php

declare(strict_types=1);

namespace App\Models;

use App\Tasks\TaskState;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Matching\Weights;

/**
 * One comparison of all records of a review, with what it found; it changes nothing by itself.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $created_by
 * @property ?string $task_id
 * @property TaskState $state queued, running, done or failed
 * @property array{certain: float, ask: float, emphasis: array<string, float>} $settings
 * @property ?array{chances: array<string, array<int, array{float, float}>>, prior: float} $weights
 * @property int $records
 * @property string $failure
 * @property ?Carbon $finished_at
 * @property Carbon $created_at
 * @property Review $review
 */
final class Matching extends Model
{
    protected $table = 'matchings';

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    public function judge(?MatchSettings $settings = null): Judge
    {
        $weights =
            $this->weights === null
                ? Weights::starting()
                : new Weights($this->weights['chances'], $this->weights['prior']);

        return new Judge($weights, $settings ?? new MatchSettings(...$this->settings));
    }

    protected function casts(): array
    {
        return [
            'state' => TaskState::class,
            'settings' => 'array',
            'weights' => 'array',
            'finished_at' => 'immutable_datetime',
        ];
    }
}
