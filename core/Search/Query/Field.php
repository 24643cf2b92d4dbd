<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

enum Field: string
{
    case Title = 'title';
    case Abstract = 'abstract';
    case Keyword = 'keyword';
    case Author = 'author';
    case Journal = 'journal';
    case Doi = 'doi';
    case Id = 'id';

    // what the team added; only a review's own library knows these
    case Tag = 'tag';
    case Note = 'note';
    case Decision = 'decision';

    // words of the papers themselves, where a review has them
    case FullText = 'fulltext';
}
