<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\PublicationType;

/** Entry types of BibTeX and what they hold. */
final class BibtexTypes
{
    /** Entries for works that stand within another one, besides articles. */
    private const WITHIN = [
        'inbook',
        'incollection',
        'inproceedings',
        'conference',
        'inreference',
        'bookinbook',
        'suppbook',
        'suppcollection',
    ];

    private const TYPES = [
        'article' => PublicationType::Article,
        'suppperiodical' => PublicationType::Article,
        'periodical' => PublicationType::Article,
        'review' => PublicationType::Article,
        'magazine' => PublicationType::Article,
        'newspaper' => PublicationType::Article,
        'inproceedings' => PublicationType::Conference,
        'conference' => PublicationType::Conference,
        'incollection' => PublicationType::Chapter,
        'inbook' => PublicationType::Chapter,
        'inreference' => PublicationType::Chapter,
        'bookinbook' => PublicationType::Chapter,
        'suppbook' => PublicationType::Chapter,
        'suppcollection' => PublicationType::Chapter,
        'book' => PublicationType::Book,
        'proceedings' => PublicationType::Book,
        'collection' => PublicationType::Book,
        'reference' => PublicationType::Book,
        'booklet' => PublicationType::Book,
        'manual' => PublicationType::Book,
        'mvbook' => PublicationType::Book,
        'mvcollection' => PublicationType::Book,
        'mvproceedings' => PublicationType::Book,
        'mvreference' => PublicationType::Book,
        'phdthesis' => PublicationType::Thesis,
        'mastersthesis' => PublicationType::Thesis,
        'thesis' => PublicationType::Thesis,
        'techreport' => PublicationType::Report,
        'report' => PublicationType::Report,
        'unpublished' => PublicationType::Preprint,
        'dataset' => PublicationType::RegisterEntry,
    ];

    /** @param  string  $said  what the entry's type field says */
    public static function type(string $entry, string $said): PublicationType
    {
        $ours = $entry === 'misc' ? PublicationType::tryFrom($said) : null;
        $otherwise = str_ends_with($entry, 'thesis') ? PublicationType::Thesis : PublicationType::Other;

        return $ours ?? self::TYPES[$entry] ?? $otherwise;
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

    public static function isWithin(string $entry): bool
    {
        return in_array($entry, self::WITHIN, true);
    }

    /** The field that says who brought such a work out. */
    public static function issuer(PublicationType $type): string
    {
        return match ($type) {
            PublicationType::Thesis => 'school',
            PublicationType::Report => 'institution',
            default => 'publisher',
        };
    }
}
