<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum Stage: string
{
    case TitleAbstract = 'title-abstract';
}
