<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

/** Where a review can be asked. */
enum PieceKind: string
{
    case Answer = 'answer';
    case Result = 'result';
    case Passage = 'passage';
    case Decision = 'decision';
    case Report = 'report';
    case Text = 'text';
    case Abstract = 'abstract';

    /** Who says it: what people took out of a paper is surer than what stands in it somewhere. */
    public function isByPeople(): bool
    {
        return in_array($this, [self::Answer, self::Result, self::Passage, self::Decision], true);
    }
}
