<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** What a stage of screening is for. The first two are the line from records to studies (PRISMA 2020); the others stand beside it. */
enum StagePurpose: string
{
    case TitleAbstract = 'title-abstract';
    case FullText = 'full-text';
    case Calibration = 'calibration';
    case Subset = 'subset';

    /** Whether what is excluded here leaves the review. */
    public function isOnTheLine(): bool
    {
        return $this === self::TitleAbstract || $this === self::FullText;
    }
}
