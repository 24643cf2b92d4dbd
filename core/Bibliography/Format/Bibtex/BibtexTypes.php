<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\PublicationType;

/** Entry types of BibTeX and what they hold. */
final class BibtexTypes
{
    /** Fields that name what a work appeared in, where it is no journal. */
    public const CONTAINERS = ['booktitle', 'series', 'school', 'institution', 'howpublished'];

    private const TYPES = [
        'article' => PublicationType::Article, 'inproceedings' => PublicationType::Conference, 'conference' => PublicationType::Conference,
        'incollection' => PublicationType::Chapter, 'inbook' => PublicationType::Chapter, 'book' => PublicationType::Book, 'proceedings' => PublicationType::Book, 'collection' => PublicationType::Book,
        'phdthesis' => PublicationType::Thesis, 'mastersthesis' => PublicationType::Thesis, 'thesis' => PublicationType::Thesis,
        'techreport' => PublicationType::Report, 'report' => PublicationType::Report, 'manual' => PublicationType::Report, 'unpublished' => PublicationType::Preprint,
    ];

    /** @param  string  $said  what the entry's type field says */
    public static function type(string $entry, string $said): PublicationType
    {
        return ($entry === 'misc' ? PublicationType::tryFrom($said) : null) ?? self::TYPES[$entry] ?? PublicationType::Other;
    }

    public static function isOurs(string $said): bool
    {
        return PublicationType::tryFrom($said) !== null;
    }

    public static function entry(PublicationType $type): string
    {
        return match ($type) {
            PublicationType::Article => 'article',
            PublicationType::Conference => 'inproceedings',
            PublicationType::Chapter => 'incollection',
            PublicationType::Book => 'book',
            PublicationType::Thesis => 'phdthesis',
            PublicationType::Report => 'techreport',
            PublicationType::Preprint, PublicationType::RegisterEntry, PublicationType::Other => 'misc',
        };
    }

    public static function container(PublicationType $type): string
    {
        return match ($type) {
            PublicationType::Article => 'journal',
            PublicationType::Conference, PublicationType::Chapter => 'booktitle',
            PublicationType::Book => 'series',
            PublicationType::Thesis => 'school',
            PublicationType::Report => 'institution',
            PublicationType::Preprint, PublicationType::RegisterEntry, PublicationType::Other => 'howpublished',
        };
    }
}
