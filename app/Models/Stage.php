<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Screening\StageRule;

/**
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $name
 * @property StagePurpose $purpose
 * @property int $required_decisions
 * @property bool $unsure_includes
 * @property bool $reason_required
 * @property bool $reasons_must_agree
 * @property Settler $settled_by
 * @property bool $names_hidden
 * @property string $work anything, shares or queue
 * @property ReadingOrder $reading_order
 * @property int $random_percent
 * @property bool $ranked whether any item of it has a rank
 * @property bool $after_titles whether a publication comes here by its title only
 * @property ?list<string> $criteria
 * @property ?Carbon $closed_at
 * @property ?string $closed_by
 * @property Carbon $created_at
 * @property Review $review
 */
final class Stage extends Model
{
    protected $table = 'stages';

    /** What each setting is called where it is changed. */
    public const RULES = [
        'required_decisions',
        'unsure_includes',
        'reason_required',
        'reasons_must_agree',
        'settled_by',
        'names_hidden',
        'work',
        'criteria',
    ];

    /** @return array<string, string|int|bool|Settler|list<string>|null> what is changed by the form of its rules */
    public function ruled(): array
    {
        return $this->only(['name', ...self::RULES]);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    public function rule(): StageRule
    {
        return new StageRule(
            $this->required_decisions,
            $this->unsure_includes,
            $this->reasons_must_agree,
            $this->closed_at !== null,
        );
    }

    /** Whoever excludes in full text names the one main reason (PRISMA 2020, item 16b). */
    public function requiresReason(bool $hasCriteria = true): bool
    {
        return $this->purpose === StagePurpose::FullText || ($this->reason_required && $hasCriteria);
    }

    /** @return Collection<int, Criterion> those that apply here and are in use, in this stage's order */
    public function criteriaInUse(): Collection
    {
        $all = $this->review->criteria()->whereNull('retired_at')->get();
        $places = $this->criteria === null ? null : array_flip($this->criteria);

        return $places === null
            ? $all
            : $all
                ->filter(fn (Criterion $c): bool => isset($places[$c->id]))
                ->sortBy(fn (Criterion $c): int => $places[$c->id])
                ->values();
    }

    /**
     * @return array<string, int> the place of every criterion that a decision may name, by its id: this stage's own
     *     first
     */
    public function places(): array
    {
        $protocol = $this->review->criteria()->pluck('id')->all();

        return array_flip(array_values(array_unique([...$this->criteria ?? [], ...$protocol])));
    }

    protected function casts(): array
    {
        return [
            'purpose' => StagePurpose::class,
            'reading_order' => ReadingOrder::class,
            'ranked' => 'boolean',
            'after_titles' => 'boolean',
            'settled_by' => Settler::class,
            'criteria' => 'array',
            'closed_at' => 'immutable_datetime',
            'unsure_includes' => 'boolean',
            'reason_required' => 'boolean',
            'reasons_must_agree' => 'boolean',
            'names_hidden' => 'boolean',
        ];
    }
}
