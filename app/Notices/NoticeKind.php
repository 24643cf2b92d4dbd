<?php

declare(strict_types=1);

namespace App\Notices;

/** What people are told of without looking. */
enum NoticeKind: string
{
    case ShareReady = 'share';
    case Mentioned = 'mention';
    case Disagreement = 'disagreement';
    case Proposal = 'proposal';
    case StageDone = 'stage';
    case Draft = 'draft';
    case Found = 'found';
    case Reader = 'reader';

    public function label(): string
    {
        return match ($this) {
            self::ShareReady => 'a share is ready for me',
            self::Mentioned => 'somebody mentions me in Talk',
            self::Disagreement => 'a disagreement on what I judged waits',
            self::Proposal => 'somebody proposes how to settle what I judged',
            self::StageDone => 'a stage of a review I lead is done',
            self::Found => 'a search that runs by itself brought something',
            self::Reader => 'somebody outside comments on a report that I lead',
            self::Draft => 'a draft that I asked for is there',
        };
    }
}
