<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Drafting\AskedCriterion;
use WaryHeron\Core\Drafting\CriterionKind;

/**
 * A criterion of a draft, proposed by machine or added by a person.
 *
 * @property string $id
 * @property string $review_id
 * @property string $draft_id
 * @property int $position
 * @property CriterionKind $kind
 * @property string $words
 * @property bool $is_on
 * @property ?string $changed_by null while it is as the machine proposed it
 * @property ?string $criterion_id of the review, once it is taken over
 * @property Draft $draft
 */
final class DraftCriterion extends Model
{
    protected $table = 'draft_criteria';

    protected $attributes = ['is_on' => true];

    /** @return BelongsTo<Draft, $this> */
    public function draft(): BelongsTo
    {
        return $this->belongsTo(Draft::class);
    }

    public function asked(): AskedCriterion
    {
        return new AskedCriterion($this->kind, $this->words);
    }

    protected function casts(): array
    {
        return ['kind' => CriterionKind::class, 'is_on' => 'boolean'];
    }
}
