<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

use WaryHeron\Core\Bibliography\Format\Bibtex\BibtexNames;
use WaryHeron\Core\Bibliography\IssuedDate;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\SourceField;

/** What left-over fields of BibTeX and BibLaTeX mean as variables of CSL 1.0.2, for reference lists. */
final class CslVariables
{
    private const TEXT = [
        'note' => 'note',
        'N1' => 'note',
        'GN' => 'note',
        'version' => 'version',
        'pagetotal' => 'number-of-pages',
        'volumes' => 'number-of-volumes',
        'chapter' => 'chapter-number',
        'eventtitle' => 'event-title',
        'venue' => 'event-place',
        'origtitle' => 'original-title',
        'type' => 'genre',
    ];

    private const PEOPLE = ['bookauthor' => 'container-author', 'translator' => 'translator'];

    private const DATES = ['urldate' => 'accessed', 'eventdate' => 'event-date', 'origdate' => 'original-date'];

    /** Kinds of theses and reports, which styles print in words. */
    private const GENRES = [
        'phdthesis' => 'PhD thesis',
        'mastersthesis' => 'Master’s thesis',
        'mathesis' => 'Master’s thesis',
        'candthesis' => 'Candidate thesis',
        'techreport' => 'technical report',
        'resreport' => 'research report',
    ];

    /**
     * @param  list<SourceField>  $fields
     * @return array<string, mixed> by the name of the variable
     */
    public static function derived(array $fields): array
    {
        $variables = [];
        foreach ($fields as $field) {
            [$tag, $value] = [$field->tag, $field->value];
            if ($tag === 'entrytype' && isset(self::GENRES[$value])) {
                $variables['genre'] ??= self::GENRES[$value];
            } elseif (isset(self::TEXT[$tag])) {
                $variables[self::TEXT[$tag]] = $tag === 'type' ? self::GENRES[$value] ?? $value : $value;
            } elseif (isset(self::PEOPLE[$tag])) {
                $variables[self::PEOPLE[$tag]] = array_map(self::name(...), BibtexNames::read($value));
            } elseif (isset(self::DATES[$tag])) {
                $parts = IssuedDate::read($value)?->parts;
                $variables += $parts === null ? [] : [self::DATES[$tag] => ['date-parts' => $parts]];
            }
        }

        return $variables;
    }

    /** @return array<string, string> */
    public static function name(Name $name): array
    {
        if ($name->given === '' && $name->suffix === '') {
            return ['literal' => $name->family];
        }
        $particle =
            preg_match('/^((?:\p{Ll}[\p{Ll}\'’]*\s+)+)(\p{Lu}.*)$/u', $name->family, $found) === 1
                ? rtrim($found[1])
                : '';
        $parts = [
            'family' => $particle === '' ? $name->family : $found[2],
            'given' => $name->given,
            'non-dropping-particle' => $particle,
            'suffix' => $name->suffix,
        ];

        return array_filter($parts, fn (string $part): bool => $part !== '');
    }
}
