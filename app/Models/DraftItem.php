<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Drafting\ProposedItem;

/**
 * Something that a draft asks of each paper, proposed by machine or added by a person.
 *
 * @property string $id
 * @property string $review_id
 * @property string $draft_id
 * @property int $position
 * @property string $name
 * @property string $label
 * @property ItemType $type
 * @property string $instructions
 * @property list<string> $options
 * @property string $unit
 * @property list<string> $synonyms
 * @property bool $is_on
 * @property ?string $changed_by
 * @property ?string $code_id of the codebook, once it is taken over
 * @property Draft $draft
 */
final class DraftItem extends Model
{
    protected $attributes = ['is_on' => true, 'options' => '[]', 'unit' => '', 'synonyms' => '[]'];

    /** @return BelongsTo<Draft, $this> */
    public function draft(): BelongsTo
    {
        return $this->belongsTo(Draft::class);
    }

    public function proposed(): ProposedItem
    {
        return new ProposedItem(
            $this->name,
            $this->label,
            $this->type,
            $this->instructions,
            $this->options,
            $this->unit,
            $this->synonyms,
        );
    }

    protected function casts(): array
    {
        return ['type' => ItemType::class, 'options' => 'array', 'synonyms' => 'array', 'is_on' => 'boolean'];
    }
}
