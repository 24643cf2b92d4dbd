<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

enum PublicationType: string
{
    case Article = 'article';
    case Conference = 'conference';
    case Chapter = 'chapter';
    case Book = 'book';
    case Thesis = 'thesis';
    case Report = 'report';
    case Preprint = 'preprint';
    case RegisterEntry = 'register-entry';
    case Other = 'other';
}
