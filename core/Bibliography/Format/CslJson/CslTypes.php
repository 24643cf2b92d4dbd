<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\SourceField;

/** Item types of CSL 1.0.2 and what they hold. */
final class CslTypes
{
    /** The first of each of our types is the one it is written as. */
    private const TYPES = [
        'article-journal' => PublicationType::Article,
        'article-magazine' => PublicationType::Article,
        'article-newspaper' => PublicationType::Article,
        'review' => PublicationType::Article,
        'periodical' => PublicationType::Article,
        'article' => PublicationType::Preprint,
        'manuscript' => PublicationType::Preprint,
        'paper-conference' => PublicationType::Conference,
        'speech' => PublicationType::Conference,
        'chapter' => PublicationType::Chapter,
        'entry' => PublicationType::Chapter,
        'entry-encyclopedia' => PublicationType::Chapter,
        'entry-dictionary' => PublicationType::Chapter,
        'book' => PublicationType::Book,
        'pamphlet' => PublicationType::Book,
        'collection' => PublicationType::Book,
        'thesis' => PublicationType::Thesis,
        'report' => PublicationType::Report,
        'dataset' => PublicationType::RegisterEntry,
    ];

    /** As the registers of identifiers, which give references as JSON, call the same. */
    private const AGENCIES = [
        'journal-article' => 'article-journal',
        'book-chapter' => 'chapter',
        'book-section' => 'chapter',
        'book-part' => 'chapter',
        'reference-entry' => 'entry',
        'proceedings-article' => 'paper-conference',
        'conference-paper' => 'paper-conference',
        'monograph' => 'book',
        'edited-book' => 'book',
        'reference-book' => 'book',
        'proceedings' => 'book',
        'dissertation' => 'thesis',
        'posted-content' => 'article',
        'preprint' => 'article',
        'report-component' => 'report',
    ];

    private const OTHERS = [
        'bill',
        'broadcast',
        'classic',
        'document',
        'event',
        'figure',
        'graphic',
        'hearing',
        'interview',
        'legal_case',
        'legislation',
        'map',
        'motion_picture',
        'musical_score',
        'patent',
        'performance',
        'personal_communication',
        'post',
        'post-weblog',
        'regulation',
        'review-book',
        'software',
        'song',
        'standard',
        'treaty',
        'webpage',
    ];

    /** What other formats say more exactly than our types do: entry types of BibTeX and BibLaTeX, codes of RIS. */
    private const SAID = [
        'entrytype' => [
            'booklet' => 'pamphlet',
            'manual' => 'book',
            'unpublished' => 'manuscript',
            'inreference' => 'entry-encyclopedia',
            'review' => 'review',
            'online' => 'webpage',
            'electronic' => 'webpage',
            'www' => 'webpage',
            'patent' => 'patent',
            'letter' => 'personal_communication',
            'software' => 'software',
            'movie' => 'motion_picture',
            'video' => 'motion_picture',
            'audio' => 'song',
            'music' => 'song',
            'artwork' => 'graphic',
            'image' => 'graphic',
            'performance' => 'performance',
            'jurisdiction' => 'legal_case',
            'legislation' => 'legislation',
            'legal' => 'legislation',
            'standard' => 'standard',
        ],
        'entrysubtype' => ['magazine' => 'article-magazine', 'newspaper' => 'article-newspaper'],
        'TY' => [
            'MGZN' => 'article-magazine',
            'NEWS' => 'article-newspaper',
            'ELEC' => 'webpage',
            'BLOG' => 'post-weblog',
            'PAT' => 'patent',
            'PAMP' => 'pamphlet',
            'ENCYC' => 'entry-encyclopedia',
            'DICT' => 'entry-dictionary',
            'MANSCPT' => 'manuscript',
            'COMP' => 'software',
            'PCOMM' => 'personal_communication',
            'VIDEO' => 'motion_picture',
            'MPCT' => 'motion_picture',
            'SOUND' => 'song',
            'MUSIC' => 'song',
            'ART' => 'graphic',
            'FIGURE' => 'figure',
            'MAP' => 'map',
            'CASE' => 'legal_case',
            'STAT' => 'legislation',
            'BILL' => 'bill',
            'HEAR' => 'hearing',
            'STAND' => 'standard',
            'SLIDE' => 'speech',
        ],
    ];

    public static function type(string $type): PublicationType
    {
        $name = strtr(strtolower($type), '_ ', '--');

        return self::TYPES[$type] ??
            self::TYPES[$name] ??
            self::TYPES[self::AGENCIES[$name] ?? ''] ??
            PublicationType::Other;
    }

    public static function written(PublicationType $type): string
    {
        return $type === PublicationType::Other ? 'document' : (string) array_search($type, self::TYPES, true);
    }

    /** Whether CSL has such a type. */
    public static function isOne(string $type): bool
    {
        return isset(self::TYPES[$type]) || in_array($type, self::OTHERS, true);
    }

    /** @param  list<SourceField>  $fields  left over of another format, which may say this type already */
    public static function isSaid(string $type, array $fields): bool
    {
        foreach ($fields as $field) {
            if (self::said($field->tag, $field->value) === $type) {
                return true;
            }
        }

        return false;
    }

    /** What a left-over field of another format says of the type; null where it says nothing of it. */
    public static function said(string $tag, string $value): ?string
    {
        return self::SAID[$tag][$value] ?? null;
    }
}
