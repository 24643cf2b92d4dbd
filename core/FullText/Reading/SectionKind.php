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

    /** What a heading begins with, or holds. */
    private const NAMES = [
        'references' => '^(?:references|reference list|bibliography|literature(?: cited)?|works cited|literatur(?:verzeichnis)?|r[ée]f[ée]rences|bibliographie|refer[eê]ncias|bibliograf[ií]a)\b',
        'abstract' => '^(?:abstract|summary|synopsis)\b',
        'declarations' => '\b(?:funding|financ\w+|acknowledge?ments?|declarations?|conflicts?|competing|disclosures?|interests?|sponsor\w*|data (?:availability|sharing)|author contributions?|contributors?|thanks|trial registration|registration)\b|^(?:ethic\w*|support|sources of support|statements?|details|notes?|(?:article|additional|supplementary|further) information|about (?:this|the))\b',
        'discussion' => '^(?:discussion|conclusions?|limitations?|strengths|implications?|comments?|interpretation|what this)\b|\b(?:limitations|conclusions?|meaning)\b',
        'introduction' => '^(?:introduction|background|objectives?|aims?|rationale|purpose|why)\b|\b(?:introduction|what is known)\b',
        'methods' => '^(?:materials?|patients?|participants?|subjects?|setting|sample|design|methods?|methodology|procedures?|population|statistic\w*|analys[ei]s|data|measures?|measurements?|outcomes?|interventions?|randomi[sz]ation|recruitment|how|treatments?|instruments?|study (?:design|population))\b|\b(?:methods?|procedure|design|what we did|what was done)\b',
        'results' => '^(?:results?|findings?|participant flow|baseline|what (?:we|was) found)\b|\b(?:results|findings|found)\b',
    ];

    /** By a heading; null where it says nothing, so that the part before it goes on. */
    public static function of(string $heading): ?self
    {
        $bare = mb_strtolower(trim((string) preg_replace('/^[\d.\s]*|[\s.:]+$/u', '', $heading)));
        foreach (self::NAMES as $kind => $pattern) {
            if (preg_match("/{$pattern}/u", $bare) === 1) {
                return self::from($kind);
            }
        }

        return null;
    }
}
