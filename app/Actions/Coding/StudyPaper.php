<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Models\Publication;
use WaryHeron\Core\FullText\Reading\Paper;

/** A report of a study as it is read. */
final readonly class StudyPaper
{
    /** @param  ?string  $copy  the PDF that was read; null where there was only the abstract */
    public function __construct(public Publication $report, public Paper $paper, public ?string $copy)
    {
    }
}
