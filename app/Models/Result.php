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
use WaryHeron\Core\Synthesis\Twice\CodedResult;

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
 * @property string $hand whose own it is where two code apart; empty for the one that counts
 * @property string $how of one that counts where two code apart: agreed, or settled by a person
 * @property list<string> $of_rows the rows of coders that it rests on
 * @property string $user_id
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 * @property Publication $publication
 * @property ReviewOutcome $outcome
 */
final class Result extends Model
{
    protected $table = 'results';

    /** As the table has them, for a result that has just been made. */
    protected $attributes = [
        'evidence' => '{}', 'time_told' => '', 'scale' => '', 'own_intervention' => '', 'own_comparator' => '',
        'note' => '', 'withdrawn' => false, 'hand' => '', 'how' => '', 'of_rows' => '[]',
    ];

    public const UPDATED_AT = null;

    /** @return Builder<self> those that count: neither replaced nor withdrawn */
    public static function standing(Review $review): Builder
    {
        return (new self())->setTable('standing_results')->newQuery()->where('review_id', $review->id);
    }

    /**
     * Those that stand in somebody’s hand: a coder’s own, or under '' what counts.
     *
     * @return Builder<self>
     */
    public static function inHand(Review $review, string $hand): Builder
    {
        return self::query()
            ->where('review_id', $review->id)
            ->where('hand', $hand)
            ->whereNull('superseded_at')
            ->where('withdrawn', false);
    }

    /** To be compared with another coder’s. */
    public function coded(): CodedResult
    {
        return new CodedResult(
            $this->row_id,
            "{$this->outcome_id} {$this->comparison_id}",
            "{$this->days} ".mb_strtolower($this->scale),
            $this->form,
            $this->design,
            $this->given,
        );
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

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsTo<ReviewOutcome, $this> */
    public function outcome(): BelongsTo
    {
        return $this->belongsTo(ReviewOutcome::class);
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
            'of_rows' => 'array',
            'superseded_at' => 'immutable_datetime',
        ];
    }
}
