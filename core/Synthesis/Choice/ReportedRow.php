<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Report\Used;

/** One result of one study, as it could go into an analysis. */
final readonly class ReportedRow
{
    /**
     * @param  string  $study  whose people it is of: several reports of one study have one
     * @param  ?int  $days  after the beginning; null where it is not told
     * @param  string  $arms  which of the study's own groups are compared, where it has several; else empty
     */
    public function __construct(
        public string $id,
        public string $study,
        public Used $used,
        public ?int $days = null,
        public string $scale = '',
        public string $arms = '',
    ) {
    }
}
