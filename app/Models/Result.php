<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\Numbers;
use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/**
 * What a study reports of an outcome, in its own form.
 *
 * @property string $id
 * @property string $review_id
 * @property string $row_id what stays while the row is changed
 * @property string $publication_id
 * @property string $outcome_id
 * @property ?string $comparison_id null where one group is described
 * @property ?int $days after the beginning
 * @property string $time_told
 * @property string $scale
 * @property string $own_intervention
 * @property string $own_comparator
 * @property ReportForm $form
 * @property StudyDesign $design
 * @property array<string, string> $given each number as it stands in the report
 * @property array<string, list<array<string, mixed>>> $evidence as Evidence::toArray() gives it, by field
 * @property string $note
 * @property bool $withdrawn
 * @property string $user_id
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 */
final class Result extends Model
{
    protected $table = 'results';

    public const UPDATED_AT = null;

    /** @return Builder<self> those that count: neither replaced nor withdrawn */
    public static function standing(Review $review): Builder
    {
        return (new self())->setTable('standing_results')->newQuery()->where('review_id', $review->id);
    }

    public function numbers(): Numbers
    {
        return new Numbers($this->given);
    }

    /** @return array<string, list<Evidence>> by field */
    public function pieces(): array
    {
        return array_map(fn (array $of): array => array_values(array_map(Evidence::fromArray(...), $of)), $this->evidence);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return [
            'form' => ReportForm::class,
            'design' => StudyDesign::class,
            'given' => 'array',
            'evidence' => 'array',
            'withdrawn' => 'boolean',
            'superseded_at' => 'immutable_datetime',
        ];
    }
}
