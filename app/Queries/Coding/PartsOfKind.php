<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\StudyPart;
use Illuminate\Support\Collection;

/** The parts of a study of one kind, as the page for naming them shows them. */
final readonly class PartsOfKind
{
    /**
     * @param  Collection<int, StudyPart>  $there
     * @param  Collection<int, StudyPart>  $out  taken out of the study
     * @param  list<string>  $offered  names that its tables give
     */
    public function __construct(
        public string $kind,
        public Collection $there,
        public Collection $out,
        public array $offered,
    ) {
    }
}
