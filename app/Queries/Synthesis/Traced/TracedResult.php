<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\Result;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\Given\ReckonedParts;
use App\Queries\Synthesis\Reckoned;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\Field;

/** A result back to its numbers and their words, and forward to what was reckoned of them. */
final readonly class TracedResult
{
    /** @param  list<TracedNumber>  $numbers */
    private function __construct(public Result $result, public array $numbers, public ReckonedParts $reckoned)
    {
    }

    public static function of(Result $result, ReviewOutcome $outcome): self
    {
        $reckoned = new Reckoned($result, $outcome);
        $pieces = $result->pieces();
        $numbers = [];
        foreach ($reckoned->fields() as $field) {
            $given = $result->given[$field->key] ?? '';
            if ($given !== '') {
                $numbers[] = new TracedNumber(self::label($field), $given, $pieces[$field->key] ?? []);
            }
        }

        return new self($result, $numbers, $reckoned->parts());
    }

    private static function label(Field $field): string
    {
        $group = ['', 'intervention', 'comparator'][$field->arm];

        return $field->label.($group === '' ? '' : ", {$group}");
    }

    /** @return list<Evidence> each once */
    public function words(): array
    {
        $words = [];
        foreach ($this->numbers as $number) {
            foreach ($number->evidence as $piece) {
                $words[$piece->selector->quote.$piece->whereabouts()] ??= $piece;
            }
        }

        return array_values($words);
    }
}
