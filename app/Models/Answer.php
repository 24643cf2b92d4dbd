<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Evidence;

/**
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property string $code_id
 * @property ?string $part_id of the study; null for it as a whole
 * @property string $user_id
 * @property string|int|float|list<string>|null $value
 * @property AnswerKind $kind
 * @property string $note
 * @property list<array<string, mixed>> $evidence as Evidence::toArray() gives it
 * @property bool $from_whole judged from the whole, so that no words are its evidence
 * @property string $hand whose own it is where two code apart; empty for the one that counts
 * @property string $how of one that counts where two code apart: agreed, or settled by a person
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 * @property Publication $publication
 */
final class Answer extends Model
{
    protected $table = 'answers';

    public const UPDATED_AT = null;

    /** As the table has them, for an answer that has just been made. */
    protected $attributes = ['kind' => 'value', 'note' => '', 'evidence' => '[]', 'from_whole' => false, 'hand' => '', 'how' => ''];

    /** Whether it says something: a value, or that there is none to be had. */
    public function says(): bool
    {
        return $this->value !== null || $this->kind !== AnswerKind::Value;
    }

    /** @return list<Evidence> */
    public function pieces(): array
    {
        return array_map(Evidence::fromArray(...), $this->evidence);
    }

    /** For people. */
    public function shown(Code $code): string
    {
        return $this->kind === AnswerKind::Value ? $code->show($this->value) : $this->kind->label();
    }

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return [
            'value' => 'json',
            'kind' => AnswerKind::class,
            'evidence' => 'array',
            'from_whole' => 'boolean',
            'superseded_at' => 'immutable_datetime',
        ];
    }
}
