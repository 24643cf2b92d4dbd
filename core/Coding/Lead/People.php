<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** Counts of persons in a sentence, with where they stand; counts of wards, weeks and scores are none. */
final class People
{
    /** Nouns in -ers, -ors, -ents and the like that are no persons. */
    private const THINGS = 'centers?|papers?|numbers?|answers?|members of|measurements?|treatments?|statements?|accidents?|incidents?|instruments?|appointments?|errors?|scores?|sensors?|factors?|hours?|minutes?|days?|weeks?|months?|years?|nights?|times?|wards?|schools?|homes?|hospitals?|units?|sites?|clinics?|practices|classes|centres?|points?|items?|questions?|beds?|shifts?|sessions?|interviews?|groups?|arms?|events?|falls?|cases of|records?|letters?|questionnaires?|observations?|samples?|per cent|percent|lux|mg|ml|kg|cm|mm|km|shillings|euros|pounds|dollars|crowns|periods?|blocks?|visits?|tests?|trials?|studies|reports?|countries|towns?|villages?|cities|regions?|teams?|stations?|depots?|floors?|rooms?|lamps?|episodes?|injuries|lapses|messages|calls|forms|replies|pages?|pairs of gl|degrees?|steps?|metres?|meters?|January|February|March|April|May|June|July|August|September|October|November|December|drinks?|packets?|volunteer|cups?|slips|cards|rules|lectures?|modules?|lessons?|meals?|exercises?|cycles?|doses?';

    /** Whatever stands before them: ward nurses are no wards. */
    private const PLAINLY = '(?:nurses|staff|workers|physicians|doctors|patients|participants|people|employees|students|midwives|women|men|adults|volunteers|respondents|pharmacists|paramedics)';

    /** A word before what is counted; “611 completed the questionnaire” counts no questionnaires. */
    private const DESCRIBING = '(?!(?:the|an?|all|both|their|his|her|this|our)\b)\p{L}+(?:-\p{L}+)*';

    private const PERSONS = '(?:participants?|people|persons?|patients?|residents?|students?|pupils?|nurses?|workers?|employees?|staff|women|men|girls?|boys?|adults?|children|adolescents?|subjects?|volunteers?|respondents?|controls?|cases?|individuals?|mothers?|fathers?|doctors?|physicians?|midwives|aides|guards?|pairs|dyads|couples|(?:para)?medics|mechanics|clerks|pilots|cooks|crew|personnel|\p{L}+(?:ers|ors|ists|ants|ents|ians|ees|men|women|wives|aides|mates))';

    private const OF_PERSONS = '/^(?:\s+(?:of (?:the|these|those|our|all)|\p{L}+(?:-\p{L}+)*)){0,3}?\s+'.self::PERSONS.'\b/iu';

    /** What people are in together, and what may be allocated in their place. */
    public const CLUSTERS = '(?:wards?|schools?|colleges?|universities|kindergartens?|homes?|units?|practices|classes|clinics|'.
        'hospitals|villages|teams|stations|depots|companies|factories|farms|prisons|sites|clusters?)';

    private const NUMBER = '/(?<![\p{L}\d.,·\/–−-])('.Figures::PATTERN.')(?![\p{L}\d]|[.,·]\d)/iu';

    /** @return list<Count> */
    public static function counts(string $text): array
    {
        preg_match_all(self::NUMBER, $text, $found, PREG_OFFSET_CAPTURE);
        $counts = [];
        foreach ($found[1] as [$told, $at]) {
            $after = substr($text, $at + strlen($told), 70);
            $isOfPersons = preg_match(self::OF_PERSONS, $after) === 1;
            $value = self::counted($told, $isOfPersons);
            $before = substr($text, max(0, $at - 18), min(18, $at));
            $isCount = $value !== null && $value >= 2 && floor($value) === $value;
            if ($isCount && ! self::isOther($before, $after, $value)) {
                $counts[] = new Count($value, $at, $at + strlen($told), $isOfPersons);
            }
        }

        return $counts;
    }

    /** Nobody counts parts of people: 1.204 nurses are so many thousand. */
    private static function counted(string $told, bool $isOfPersons): ?float
    {
        $isThousands = $isOfPersons && preg_match('/^\d{1,3}(?:\.\d{3})+$/', $told) === 1;

        return Figures::value($isThousands ? str_replace('.', '', $told) : $told);
    }

    private static function isOther(string $before, string $after, float $value): bool
    {
        return preg_match('/^\s*(?:%|per cent|percent|‰|°|o[’\']clock)/iu', $after) === 1 ||
            (preg_match('/^(?:\s+\p{L}+(?:-\p{L}+)*)?\s+'.self::PLAINLY.'\b/iu', $after) !== 1 &&
                preg_match('/^(?:\s+'.self::DESCRIBING.'){0,2}?[\s-]+(?:'.self::THINGS.')\b/iu', $after) === 1) ||
            preg_match('/^\s*(?:to|[–-]|±|:)\s*\d/u', $after) === 1 ||
            // “in two cases” is how often
            (preg_match('/\bin (?:only )?$/iu', $before) === 1 && preg_match('/^ cases\b(?! and\b)/iu', $after) === 1) ||
            preg_match(
                '/(?:\d\s*(?:to|[–-]|±|:)|[Pp]\s*[=<>]|\bTable|\bFig\w*\.?|\baged?|\bSD|\bCI|\bgrant|\bNo\.?|\bVol\.?|§|#|\bref\w*\.?|\b(?:weeks?|days?|months?|years?|nights?|visits?|phase|grade|level|stage|chapter|version|type|room|unit|ward|period|question|item|page|line))\s*$/iu',
                $before,
            ) === 1 ||
            ($value >= 1900 &&
                $value <= 2100 &&
                preg_match(
                    '/(?:\b(?:in|since|of|from|to|and|until|between|by|early|late|during|January|February|March|April|May|June|July|August|September|October|November|December)|[(,;:])\s*$/iu',
                    $before,
                ) === 1);
    }
}
