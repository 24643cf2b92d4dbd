<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Decision;
use stdClass;

/** What one person decided on an item, or has answered so far. */
final readonly class MyVerdict
{
    /**
     * @param  string  $id  of the decision; empty while there is no verdict
     * @param  ?string  $criterion  the one that fails
     * @param  array<string, string>  $answers  by criterion
     */
    private function __construct(
        public string $id,
        public ?string $verdict,
        public ?string $criterion,
        public string $note,
        public array $answers,
    ) {
    }

    public static function of(Decision $decision): self
    {
        return self::told(
            $decision->id,
            $decision->verdict?->value,
            $decision->criterion_id,
            $decision->note,
            $decision->answers,
        );
    }

    /** @param  stdClass  $row  of an item, with the columns of the person's decision, all null where there is none */
    public static function ofRow(stdClass $row): self
    {
        return self::told(
            (string) $row->decision_id,
            $row->verdict,
            $row->criterion_id,
            (string) $row->note,
            $row->answers === null ? [] : json_decode($row->answers, true),
        );
    }

    /** @param  array<string, string>  $answers */
    private static function told(string $id, ?string $verdict, ?string $criterion, string $note, array $answers): self
    {
        $isJudged = $verdict !== null;

        return new self($isJudged ? $id : '', $verdict, $criterion, $isJudged ? $note : '', $answers);
    }
}
