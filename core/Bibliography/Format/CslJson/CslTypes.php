<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\PublicationType;

/** Item types of CSL 1.0.2 and what they hold. */
final class CslTypes
{
    private const TYPES = [
        'article-journal' => PublicationType::Article, 'article-magazine' => PublicationType::Article, 'article-newspaper' => PublicationType::Article, 'review' => PublicationType::Article,
        'article' => PublicationType::Preprint, 'paper-conference' => PublicationType::Conference, 'speech' => PublicationType::Conference,
        'chapter' => PublicationType::Chapter, 'entry' => PublicationType::Chapter, 'entry-encyclopedia' => PublicationType::Chapter,
        'book' => PublicationType::Book, 'thesis' => PublicationType::Thesis, 'report' => PublicationType::Report, 'dataset' => PublicationType::RegisterEntry,
    ];

    public static function type(string $type): PublicationType
    {
        return self::TYPES[$type] ?? PublicationType::Other;
    }

    public static function written(PublicationType $type): string
    {
        return $type === PublicationType::Other ? 'document' : (string) array_search($type, self::TYPES, true);
    }
}
