<?php

declare(strict_types=1);

namespace App\Notices;

/** What people are told of without looking. */
enum NoticeKind: string
{
    case ShareReady = 'share';
    case Mentioned = 'mention';
    case Disagreement = 'disagreement';
    case StageDone = 'stage';

    public function label(): string
    {
        return match ($this) {
            self::ShareReady => 'a share is ready for me',
            self::Mentioned => 'somebody mentions me in Talk',
            self::Disagreement => 'a disagreement on what I judged waits',
            self::StageDone => 'a stage of a review I lead is done',
        };
    }
}
