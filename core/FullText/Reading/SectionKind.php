<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** What a part of a paper is for. */
enum SectionKind: string
{
    case Title = 'title';
    case Abstract = 'abstract';
    case Introduction = 'introduction';
    case Methods = 'methods';
    case Results = 'results';
    case Discussion = 'discussion';
    case Declarations = 'declarations';
    case References = 'references';
    case Other = 'other';

    private const NAMES = [
        'abstract' => '(?:abstract|summary|synopsis)',
        'introduction' => '(?:introduction|background|objectives?|aims?|rationale|why this study)',
        'methods' => '(?:(?:materials?|patients?|participants?|subjects?|setting|sample|design)(?: and methods)?|methods?|methodology|procedures?|study design.*|statistical (?:analysis|methods)|statistics|analysis|data collection|measures?|measurements?|outcomes?|interventions?|randomi[sz]ation|how .*)',
        'results' => '(?:results?|findings?|participant flow|baseline .*|what we found)',
        'discussion' => '(?:discussion|conclusions?|limitations?|strengths and .*|implications.*|comment|what this .*)',
        'declarations' => '(?:(?:source of )?funding.*|financial .*|acknowledge?ments?|(?:declarations?|conflicts?|competing|statement) .*|disclosures?.*|declarations?|interests?|author contributions?|contributors?|data (?:availability|sharing).*|ethics.*|ethical .*|support|trial registration|registration|notes?)',
        'references' => '(?:references|bibliography|literature(?: cited)?|works cited)',
    ];

    /** By a heading; null where it says nothing, so that the part before it goes on. */
    public static function of(string $heading): ?self
    {
        $bare = mb_strtolower(trim((string) preg_replace('/^[\d.\s]*|[\s.:]+$/u', '', $heading)));
        foreach (self::NAMES as $kind => $pattern) {
            if (preg_match("/^{$pattern}$/u", $bare) === 1) {
                return self::from($kind);
            }
        }

        return null;
    }
}
