<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Builder;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/**
 * A table of studies as a definition that is run again on what there is.
 *
 * @property string $id
 * @property string $review_id
 * @property string $title
 * @property array<string, mixed> $terms as TableDefinition::toArray() gives them
 * @property string $user_id
 * @property ?Carbon $retired_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class SavedTable extends Model
{
    protected $table = 'saved_tables';

    /** @return Builder<self> those of a review that are not retired, in the order they were made */
    public static function of(Review $review): Builder
    {
        return self::query()->where('review_id', $review->id)->whereNull('retired_at')->orderBy('id');
    }

    public function asked(): TableDefinition
    {
        return TableDefinition::fromArray($this->terms);
    }

    protected function casts(): array
    {
        return ['terms' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
