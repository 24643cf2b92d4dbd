<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

use App\Models\Result;
use App\Queries\Coding\ShownEvidence;
use JsonSerializable;

/** A result as it was given, with what is reckoned of it. */
final readonly class ResultRow implements JsonSerializable
{
    /** @param  array<string, list<ShownEvidence>>  $evidence  by number */
    public function __construct(private Result $result, private array $evidence, private ReckonedParts $reckoned)
    {
    }

    public function jsonSerialize(): object
    {
        $result = $this->result;

        return (object) [
            'id' => $result->id,
            'row' => $result->row_id,
            'outcome' => $result->outcome_id,
            'comparison' => $result->comparison_id ?? '',
            'days' => (string) $result->days,
            'time' => $result->time_told,
            'scale' => $result->scale,
            'own1' => $result->own_intervention,
            'own2' => $result->own_comparator,
            'form' => $result->form->value,
            'design' => $result->design->value,
            'given' => (object) $result->given,
            'evidence' => (object) $this->evidence,
            'note' => $result->note,
            'by' => $result->user->name,
            ...get_object_vars($this->reckoned),
        ];
    }
}
