<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/**
 * What studies report results of.
 *
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $name
 * @property OutcomeKind $kind
 * @property string $better which end is the better one: lower, higher, or '' for neither
 * @property string $unit
 * @property list<array{name: string, low: ?float, high: ?float, reversed: bool}> $scales it is measured with
 * @property string $about
 * @property ?Carbon $retired_at
 */
final class ReviewOutcome extends Model
{
    protected $table = 'outcomes';

    protected $attributes = ['better' => '', 'unit' => '', 'scales' => '[]', 'about' => ''];

    /** @return ?array{name: string, low: ?float, high: ?float, reversed: bool} */
    public function scale(string $name): ?array
    {
        foreach ($this->scales as $scale) {
            if ($scale['name'] === $name) {
                return $scale;
            }
        }

        return null;
    }

    protected function casts(): array
    {
        return ['kind' => OutcomeKind::class, 'scales' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
