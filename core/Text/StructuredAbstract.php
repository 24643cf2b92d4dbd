<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/**
 * Cuts an abstract at the labels that structured abstracts carry, in the languages that they are mostly written in:
 * "Methods: ", "RESULTS ", "Main outcome measures. " and their kin.
 */
final class StructuredAbstract
{
    /** How labels begin. */
    private const HEADS = [
        'backgrounds?|objectives?|aims?|purposes?|goals?|introduction|contexts?|importance|rationale',
        'hypothes[ie]s|problem|materials?|methods?|methodology|approach|design|settings?|participants?|subjects',
        'patients|population|sample|interventions?|procedures?|measure(?:ment)?s|outcomes?',
        '(?:main|primary|secondary) (?:outcomes?|results?|findings?|measures?|end ?points?|aims?|objectives?)',
        'data (?:sources?|collection|extraction|synthesis|analys[ei]s)',
        'study (?:design|selection|population|setting|sample|period)|trial registration',
        'search (?:methods|strategy)|selection criteria|key (?:results?|findings?|messages?|points?)',
        'clinical (?:relevance|implications?|significance)|eligibility|results?|findings?|observations?',
        'conclusions?|discussion|interpretation|implications?|significance|limitations?|strengths|registration',
        'funding|recommendations?|relevance|hintergrund|einleitung|zielsetzung|ziele?|fragestellung|methoden?',
        'methodik|ergebnisse?|resultate|patienten|schlussfolgerung(?:en)?|fazit|diskussion|contexte|objectifs?',
        'but(?=:)|m[ée]thodes?|m[ée]thodologie|mat[ée]riels?|r[ée]sultats?|antecedentes|fundamentos?',
        'introducci[óo]n|objetivos?|m[ée]todos?|metodolog[íi]a|materiale?s|pacientes|resultados?',
        'conclusi(?:[óo]n|ones)|discusi[óo]n|contexto|introdu[çc][ãa]o|conclus(?:[ãa]o|[õo]es)|discuss[ãa]o',
        'premess[ae]|introduzione|obiettiv[oi]|scop[oi]|metod[io]|materiali|pazienti|risultat[oi]|conclusion[ei]',
        'discussione|achtergrond|doel(?:stelling)?|methoden?|opzet|resultaten|conclusies?|discussie|bakgrund',
        'bakgrunn|baggrund|syfte|form[åa]l|metod|metoder?|resultat(?:er)?|slutsats(?:er)?|konklusjon',
        'konklusion(?:er)?|wst[ęe]p|cel|materia[łl]|metody|wyniki|wnioski',
    ];

    private const BOUND = '(?:^|(?<=[.!?\]\)] )|(?<=\n))';

    /** @return list<array{label: string, text: string}> in order; one part without a label where there are none */
    public static function parts(string $abstract): array
    {
        $abstract = trim($abstract);
        if ($abstract === '') {
            return [];
        }
        $found = self::labels($abstract);
        if ($found === []) {
            return array_map(
                fn (string $text): array => ['label' => '', 'text' => $text],
                preg_split('/\s*\n\s*\n\s*/u', $abstract) ?: [$abstract],
            );
        }
        $parts = [];
        $before = trim(substr($abstract, 0, $found[0][0][1]));
        if ($before !== '') {
            $parts[] = ['label' => '', 'text' => $before];
        }
        foreach ($found[0] as $i => [$whole, $offset]) {
            $start = $offset + strlen($whole);
            $end = $found[0][$i + 1][1] ?? strlen($abstract);
            $label = $found[1][$i][0];
            $parts[] = [
                'label' => mb_strtoupper($label) === $label ? mb_convert_case($label, MB_CASE_TITLE) : $label,
                'text' => trim(substr($abstract, $start, $end - $start)),
            ];
        }

        return $parts;
    }

    /**
     * Labels that end with a colon; or in capitals, without one; or with a full stop, as a sentence of their own.
     *
     * @return array{}|array{list<array{string, int}>, list<array{string, int}>} as preg_match_all() gives them with
     *     their places; none for too few
     */
    private static function labels(string $abstract): array
    {
        $heads = '(?:'.implode('|', self::HEADS).')(?!\p{L})';
        $label = "({$heads}(?:[ \/-]\p{L}+|,| ?&){0,5})";
        $capitals = "((?i:{$heads})(?<=\p{Lu})(?:[ \/-](?:\p{Lu}{2,}|&)|,){0,5})";
        // a sentence that only begins so is none
        $short = "({$heads}(?: (?:and|und|y|et|e|och|og) {$heads}| measures?| of the study){0,2})";
        $ways = [
            [2, '/'.self::BOUND."{$label}: ?(?=\S)/ui"],
            [2, '/'.self::BOUND."(?=\p{Lu}{3}){$capitals} (?=\p{Lu}\p{Ll}|\p{Lu} |\d|“|\")/u"],
            [3, '/'.self::BOUND."(?=\p{Lu}\p{Ll})(?i:{$short})\. (?=\p{Lu}|\d|“|\")/u"],
        ];
        foreach ($ways as [$least, $pattern]) {
            if (preg_match_all($pattern, $abstract, $found, PREG_OFFSET_CAPTURE) >= $least) {
                return $found;
            }
        }

        return [];
    }
}
