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

    /** @return list<AbstractPart> in order; without labels, its paragraphs */
    public static function parts(string $abstract): array
    {
        $abstract = trim($abstract);
        if ($abstract === '') {
            return [];
        }
        $labels = self::labels($abstract);
        if ($labels === []) {
            $paragraphs = preg_split('/\s*\n\s*\n\s*/u', $abstract) ?: [$abstract];

            return array_map(fn (string $text): AbstractPart => new AbstractPart('', $text), $paragraphs);
        }
        $before = trim(substr($abstract, 0, $labels[0]->start));
        $parts = $before === '' ? [] : [new AbstractPart('', $before)];
        foreach ($labels as $i => $label) {
            $end = isset($labels[$i + 1]) ? $labels[$i + 1]->start : strlen($abstract);
            $parts[] = new AbstractPart($label->word, trim(substr($abstract, $label->end, $end - $label->end)));
        }

        return $parts;
    }

    /**
     * Labels that end with a colon; or in capitals, without one; or with a full stop, as a sentence of their own.
     *
     * @return list<PlacedWord> with the signs that end them; none for too few
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
            if (preg_match_all($pattern, $abstract, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER) >= $least) {
                return array_map(
                    fn (array $one): PlacedWord => self::label($one[1][0], $one[0][1], strlen($one[0][0])),
                    $found,
                );
            }
        }

        return [];
    }

    private static function label(string $name, int $start, int $length): PlacedWord
    {
        $shown = mb_strtoupper($name) === $name ? mb_convert_case($name, MB_CASE_TITLE) : $name;

        return new PlacedWord($shown, $start, $start + $length);
    }
}
