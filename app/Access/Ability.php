<?php

declare(strict_types=1);

namespace App\Access;

/** What a role in a review allows beyond reading it. */
enum Ability: string
{
    case Manage = 'manage';
    case Search = 'search';
    case Deliver = 'deliver';
    case Screen = 'screen';
    case Settle = 'settle';
    case Code = 'code';
    case Tag = 'tag';
    case Obtain = 'obtain';
    case Write = 'write';

    public function refusal(): string
    {
        return match ($this) {
            self::Manage => 'Only the review lead may change this.',
            self::Search => 'Your role in this review does not include searching.',
            self::Deliver => 'Only the information specialist and the lead may deliver records.',
            self::Screen => 'Only reviewers and the lead may screen.',
            self::Settle => 'Only the review lead may settle alone.',
            self::Tag => 'Observers read; they do not tag.',
            self::Obtain => 'Observers read; they do not bring full texts.',
            self::Write => 'Observers read the report; they do not write it.',
            self::Code => 'Only coders, reviewers and the lead may code.',
        };
    }
}
