<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/**
 * What a stage of screening is for. The first three are the line from records to studies (PRISMA 2020); the others
 * stand beside it.
 */
enum StagePurpose: string
{
    /**
     * Before title and abstract, by the titles alone: a publication comes to the abstracts once it is included here.
     */
    case Titles = 'titles';
    case TitleAbstract = 'title-abstract';
    case FullText = 'full-text';
    case Calibration = 'calibration';
    case Subset = 'subset';

    /** Whether what is excluded here leaves the review. */
    public function isOnTheLine(): bool
    {
        return in_array($this, [self::Titles, self::TitleAbstract, self::FullText], true);
    }
}
