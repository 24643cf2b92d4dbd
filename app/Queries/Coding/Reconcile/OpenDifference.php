<?php

declare(strict_types=1);

namespace App\Queries\Coding\Reconcile;

use App\Models\Answer;
use App\Models\CodebookItem;
use stdClass;
use WaryHeron\Core\Coding\AnswerDifference;

/** An item that two coders answered differently, and nobody has settled. */
final readonly class OpenDifference
{
    /** @param  list<Answer>  $sides */
    public function __construct(
        public stdClass $publication,
        public CodebookItem $code,
        public string $part,
        public array $sides,
        public AnswerDifference $difference,
    ) {
    }
}
