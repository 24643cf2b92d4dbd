<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

use App\Models\Publication;
use App\Queries\Coding\AnswerSlot;

/** An item of the codebook as it is asked of a study, or of one of its parts. */
final readonly class SlotItem
{
    /**
     * @param  string  $id  the key of the slot
     * @param  string  $part  the name of the part; empty for the whole study
     * @param  list<SlotOption>  $options
     */
    private function __construct(
        public string $id,
        public string $part,
        public string $per,
        public string $section,
        public string $pass,
        public string $label,
        public string $guidance,
        public string $examples,
        public string $type,
        public string $unit,
        public bool $required,
        public array $options,
        public string $url,
        public string $leadUrl,
    ) {
    }

    public static function of(AnswerSlot $slot, Publication $publication): self
    {
        $code = $slot->code;
        $to = array_filter([$publication->review_id, $publication->id, $code->id, 'part' => $slot->part?->id]);

        return new self(
            id: $slot->key(),
            part: $slot->part->name ?? '',
            per: $code->per,
            section: $code->section,
            pass: $code->pass->value,
            label: $code->label,
            guidance: $code->guidance,
            examples: $code->examples,
            type: $code->type->value,
            unit: $code->unit,
            required: $code->required,
            options: array_map(SlotOption::of(...), $code->code()->choosable()),
            url: route('coding.answer', $to, false),
            leadUrl: route('leads.rule', $to, false),
        );
    }
}
