<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An arm, a site, an outcome of one study: what items of the codebook are asked of one by one.
 *
 * @property string $id
 * @property string $review_id
 * @property string $publication_id the report with which its study is coded
 * @property string $kind arm, or what the codebook calls it
 * @property int $position
 * @property string $name as the study calls it
 * @property ?string $arm_id which group of the review it is
 * @property ?Carbon $retired_at
 * @property ?Arm $arm
 */
final class StudyPart extends Model
{
    public const ARM = 'arm';

    protected $table = 'study_parts';

    /** @return Builder<self> in their order, those taken out among them */
    public static function of(Publication $publication): Builder
    {
        return self::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->orderBy('kind')
            ->orderBy('position')
            ->orderBy('id');
    }

    /** @return BelongsTo<Arm, $this> */
    public function arm(): BelongsTo
    {
        return $this->belongsTo(Arm::class);
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
