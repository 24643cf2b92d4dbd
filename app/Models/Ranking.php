<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;

/**
 * An order in which what was left at a stage was put, and what it was learned from.
 *
 * @property string $id
 * @property string $review_id
 * @property string $stage_id
 * @property ReadingOrder $reading_order
 * @property int $random_percent
 * @property int $seed
 * @property int $judged
 * @property int $included
 * @property int $ranked
 * @property ?array{words: list<string>, rarity: list<float>, weights: list<float>, constant: float} $model
 * @property ?array{tried: int, wss95: ?float, recall10: ?float, precision: ?float, k95: ?int} $quality
 * @property Carbon $created_at
 */
final class Ranking extends Model
{
    protected $table = 'rankings';

    /** Places below are those of a check sample; ranks follow, and what has none comes last. */
    public const RANKED = 1_000_000;

    public const UNRANKED = 1_000_000_000;

    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['reading_order' => ReadingOrder::class, 'model' => 'array', 'quality' => 'array'];
    }
}
