<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Briefing;
use WaryHeron\Core\Coding\Pass;

/**
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $label
 * @property string $guidance
 * @property CodeType $type
 * @property list<string> $options
 * @property string $unit
 * @property ?float $minimum
 * @property ?float $maximum
 * @property string $section
 * @property Pass $pass
 * @property string $examples
 * @property list<string> $synonyms
 * @property bool $required
 * @property string $per what of a study it is asked of, each: arm, site; empty for the study once
 * @property ?string $when_code_id asked only where that item has one of the next
 * @property list<string> $when_answers
 * @property ?Carbon $retired_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class CodebookItem extends Model
{
    protected $table = 'codes';

    /** As the table has them, for an item that has just been made. */
    protected $attributes = [
        'guidance' => '',
        'options' => '[]',
        'unit' => '',
        'section' => '',
        'pass' => 'mapping',
        'examples' => '',
        'synonyms' => '[]',
        'required' => false,
        'per' => '',
        'when_answers' => '[]',
    ];

    protected function casts(): array
    {
        return [
            'type' => CodeType::class,
            'pass' => Pass::class,
            'options' => 'array',
            'synonyms' => 'array',
            'when_answers' => 'array',
            'required' => 'boolean',
            'minimum' => 'float',
            'maximum' => 'float',
            'retired_at' => 'immutable_datetime',
        ];
    }

    /**
     * It as a question to a paper.
     *
     * @param  array<array-key, float>  $learned  what answers before it taught
     * @param  ?ItemType  $otherwise  how it is asked where papers are not read for its type; null: not at all
     */
    public function asked(array $learned = [], ?ItemType $otherwise = null): ?AskedItem
    {
        $chosen = [CodeType::Choices, CodeType::YesNo];
        $name = in_array($this->type, $chosen, true) ? ItemType::Choice->value : $this->type->value;
        $type = ItemType::tryFrom($name) ?? $otherwise;

        return $type === null
            ? null
            : new AskedItem(
                $this->id,
                $this->label,
                $type,
                $this->code()->choosable(),
                $this->unit,
                new Briefing($this->guidance, $this->synonyms, $learned),
            );
    }

    public function code(): Code
    {
        return new Code($this->type, $this->options, $this->unit, $this->minimum, $this->maximum);
    }

    public function entry(): Entry
    {
        return new Entry(
            $this->id,
            $this->label,
            $this->code(),
            $this->guidance,
            $this->examples,
            $this->synonyms,
            $this->section,
            $this->pass,
            $this->required,
            $this->when_code_id === null || $this->when_answers === []
                ? null
                : new AskedWhen($this->when_code_id, $this->when_answers),
            $this->per,
        );
    }
}
