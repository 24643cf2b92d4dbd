<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\DismissedFinding;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Search\Check\Finding;

/** What is said of a strategy. */
final readonly class CheckResult
{
    /**
     * @param  list<Finding>  $findings
     * @param  array<string, array<string, int>>  $effects  records that a remedy would add, by the finding's key, then
     *     database
     * @param  Collection<int, DismissedFinding>  $dismissed
     * @param  string  $failure  of a database that could not be asked
     */
    public function __construct(
        public array $findings,
        public array $effects,
        public Collection $dismissed,
        public string $failure,
    ) {
    }
}
