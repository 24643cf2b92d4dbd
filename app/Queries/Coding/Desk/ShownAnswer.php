<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

use App\Models\Answer;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\ShownEvidence;
use WaryHeron\Core\Coding\Code;

/** What stands in a slot; empty where nothing does. */
final readonly class ShownAnswer
{
    /**
     * @param  string  $kind  value, or why there is none
     * @param  mixed  $value  as the item's type keeps it
     * @param  string  $shown  the value in words
     * @param  list<ShownEvidence>  $evidence
     * @param  bool  $fromWhole  whether it rests on the report as a whole
     */
    private function __construct(
        public string $id = '',
        public string $kind = 'value',
        public mixed $value = null,
        public string $shown = '',
        public string $note = '',
        public array $evidence = [],
        public bool $fromWhole = false,
        public string $by = '',
    ) {
    }

    public static function of(?Answer $answer, Code $code, EvidenceView $view): self
    {
        return $answer === null ? new self() : new self(
            $answer->id,
            $answer->kind->value,
            $answer->value,
            $answer->shown($code),
            $answer->note,
            array_map($view->shown(...), $answer->pieces()),
            $answer->from_whole,
            $answer->user->name,
        );
    }
}
