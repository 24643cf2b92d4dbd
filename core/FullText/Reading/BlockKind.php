<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

enum BlockKind: string
{
    case Heading = 'heading';
    case Paragraph = 'paragraph';
    case Row = 'row';
}
