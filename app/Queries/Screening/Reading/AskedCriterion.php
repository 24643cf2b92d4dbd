<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Criterion;
use App\Models\Stage;

/** A criterion as it is asked at a stage. */
final readonly class AskedCriterion
{
    /** @param  string  $reason  what an item that fails it is excluded for */
    private function __construct(public string $id, public string $question, public string $reason)
    {
    }

    /** @return list<self> in the stage's order */
    public static function ofStage(Stage $stage): array
    {
        $asked = fn (Criterion $one): self => new self($one->id, $one->question, $one->reason);

        return array_values($stage->criteriaInUse()->map($asked)->all());
    }
}
