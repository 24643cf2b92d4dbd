<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

use WaryHeron\Core\Bibliography\PublicationType;

/** What the tags and types of RIS mean, in its first and its later generation. */
final class RisTags
{
    /** Tags for one of our fields, the better source first. */
    public const SINGLE = [
        'title' => ['TI', 'T1', 'CT'],
        'date' => ['DA', 'Y1', 'PY'],
        'journal' => ['JF', 'T2', 'JO', 'BT', 'JA', 'J2'],
        'journalShort' => ['JA', 'J2', 'J1', 'JO'],
        'volume' => ['VL'],
        'issue' => ['IS'],
        'firstPage' => ['SP'],
        'lastPage' => ['EP'],
        'doi' => ['DO'],
        'abstract' => ['AB', 'N2'],
        'language' => ['LA'],
        'publisher' => ['PB'],
        'place' => ['CY', 'PP'],
        'series' => ['T3'],
        'edition' => ['ET'],
        'accession' => ['AN'],
        'id' => ['ID'],
    ];

    /** Where programs write a DOI that has no tag of its own there. */
    public const ALSO_DOI = ['DI', 'L3', 'LK', 'M3'];

    public const AUTHORS = ['AU', 'A1'];

    /** Whoever edited it: named so, or of second rank beside the authors. */
    public const EDITORS = ['ED', 'A2'];

    /** Of a book the second title is that of its series. */
    public const SERIES_OF_BOOKS = ['T3', 'T2'];

    public const NUMBERS = ['SN', 'BN'];

    public const YEARS = ['PY', 'Y1', 'DA'];

    public const KEYWORDS = ['KW'];

    public const URLS = ['UR'];

    private const TYPES = [
        'JOUR' => PublicationType::Article,
        'JFULL' => PublicationType::Article,
        'MGZN' => PublicationType::Article,
        'NEWS' => PublicationType::Article,
        'INPR' => PublicationType::Article,
        'EJOUR' => PublicationType::Article,
        'ABST' => PublicationType::Conference,
        'CONF' => PublicationType::Conference,
        'CPAPER' => PublicationType::Conference,
        'CHAP' => PublicationType::Chapter,
        'ECHAP' => PublicationType::Chapter,
        'BOOK' => PublicationType::Book,
        'EBOOK' => PublicationType::Book,
        'EDBOOK' => PublicationType::Book,
        'THES' => PublicationType::Thesis,
        'RPRT' => PublicationType::Report,
        'UNPB' => PublicationType::Preprint,
        'DATA' => PublicationType::RegisterEntry,
    ];

    private const WRITTEN = [
        'article' => 'JOUR',
        'conference' => 'CPAPER',
        'chapter' => 'CHAP',
        'book' => 'BOOK',
        'thesis' => 'THES',
        'report' => 'RPRT',
        'preprint' => 'UNPB',
        'register-entry' => 'DATA',
        'other' => 'GEN',
    ];

    public static function type(string $code): PublicationType
    {
        return self::TYPES[strtoupper($code)] ?? PublicationType::Other;
    }

    public static function code(PublicationType $type): string
    {
        return self::WRITTEN[$type->value];
    }
}
