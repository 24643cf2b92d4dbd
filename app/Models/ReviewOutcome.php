<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Synthesis\Choice\OutcomeScale;
use WaryHeron\Core\Synthesis\Choice\TimeWindow;
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
 * @property list<array{name: string, from: ?int, to: ?int}> $windows stretches of time that have a name, in days
 * @property string $about
 * @property ?Carbon $retired_at
 */
final class ReviewOutcome extends Model
{
    protected $table = 'outcomes';

    protected $attributes = ['better' => '', 'unit' => '', 'scales' => '[]', 'windows' => '[]', 'about' => ''];

    public function scale(string $name): ?OutcomeScale
    {
        foreach ($this->scales as $scale) {
            if ($scale['name'] === $name) {
                return new OutcomeScale(...$scale);
            }
        }

        return null;
    }

    /** @return list<TimeWindow> */
    public function timeWindows(): array
    {
        return array_map(fn (array $one): TimeWindow => new TimeWindow($one['name'], $one['from'], $one['to']), $this->windows);
    }

    protected function casts(): array
    {
        return ['kind' => OutcomeKind::class, 'scales' => 'array', 'windows' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
