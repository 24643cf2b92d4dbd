<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Columns;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;

/** The mean age of all who took part. */
final class AgeReader implements LeadReader
{
    public const NUMBER = '(\d{1,3}(?:[.·]\d+)?|(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)'
        .'(?:[ -](?:one|two|three|four|five|six|seven|eight|nine))?\b)';

    /** One of these is in all that tells an age: most sentences have none. */
    private const MAY_TELL = 'age|averag|mean|year|\byrs?\b';

    private const PATTERNS = [
        '\b[Aa]ge[sd]?\b[^.;]{0,40}?\(?\s*(?:M|mean)\s*=?\s*'.self::NUMBER => 1.4,
        '(?i:mean|average) age of (?:the |all |these |our )?(?:[\d,]+ )?(?:\p{L}+ ){1,3}?was '.self::NUMBER => 1.7,
        '(?i:mean|average)\s*\((?:±\s*)?(?:SD|s\.d\.)\)\s+age\b[^.;()\d]{0,50}?'.self::NUMBER => 1.6,
        '\baveraged\s+'.self::NUMBER.' years? (?:old|of age)' => 1.4,
        '\b(?i:average|typical) \p{L}+ was '.self::NUMBER.' years? (?:old|of age)' => 1.4,
        '\b[Aa]ges?(?: in years)? ranged[^.;]{0,50}\b(?:mean|average)(?: of)? '.self::NUMBER => 1.5,
        '(?:\b(?i:mean|average) age\s*(?:\([^()\d]*\))?|\bAge(?: in years)?)\s*[:=]\s*'.self::NUMBER => 1.4,
        '\bfor (?:all|both)(?: \p{L}+){0,2} it was '.self::NUMBER => 1.5,
        '\bM\s*=\s*'.self::NUMBER.'\s*years?\b' => 1.4,
        '\b(?:age|old)\b[^.]{0,40}?\bthe (?:mean|average) (?:was|being) '.self::NUMBER => 1.3,
        '\b[Aa]ge\b[^.;\d]{0,12}(\d{1,3}[.·]\d+)\s*[(\[]\d{1,2}(?:[.·]\d+)?[)\]]' => 1.3,
        '\b[Aa]ge[sd]?\s+averaged\s+'.self::NUMBER => 1.6,
        '\b(?:were|was)\s+'.self::NUMBER.'\s*\((?:SD|s\.d\.|±)\s*=?\s*[\d.·]+\)\s*years?\s*(?:old|of age)' => 1.4,
        '(?<![\d.])'.self::NUMBER.'\s*(?:±|\+\/-)\s*\d+(?:\.\d+)?\s*y(?:ea)?rs?\b(?: old| of age)?' => 1.2,
        '(?i:mean|average)\s+(?:\p{L}+\s+){0,2}age\b[^.;()\d]{0,50}?'.self::NUMBER => 1.6,
        '\b[Mm]\s*age\s*=?\s*'.self::NUMBER => 1.5,
        '\b[Aa]ge\b[^.;\d]{0,12}\(?(?:mean|average|M)\b[^\d.;]{0,12}'.self::NUMBER => 1.4,
        '\b(?:on average,?|average|mean)\s+'.self::NUMBER.'\s*years?\b(?:\s*(?:old|of age))?' => 1.2,
        '\b[Aa]ged?\s+(?:on average\s+|a mean of\s+)?'.self::NUMBER.'\s*(?:years?)?\s*\((?:SD|±|s\.d\.)' => 1.3,
        '\b(?:were|was)\s+(?:on average\s+)'.self::NUMBER.'\s*years? old' => 1.3,
        self::NUMBER.'\s*(?:\(SD [\d.]+\)\s*)?years?\s*(?:old|of age)?\s*(?:on average|\(mean)' => 1.2,
        '\b[Aa]ge[ds]?\b[^.;\d]{0,25}'.
        self::NUMBER.
        '\s*(?:years\s*)?(?:\((?:SD|s\.d\.|±|standard deviation)|±|, SD|; SD|, standard deviation|, with a standard deviation)' => 1.3,
    ];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number && $item->isAbout('\bage\b') && ! $item->isAbout('percent|per cent');
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            if (! Traps::isCited($passage)) {
                $found = $passage->isRow() ? $this->inRow($passage) : array_filter([$this->inSentence($passage)]);
                $leads = [...$leads, ...$found];
            }
        }

        return $leads;
    }

    private function inSentence(Passage $passage): ?Lead
    {
        foreach ($passage->has(self::MAY_TELL) ? self::PATTERNS : [] as $pattern => $weight) {
            $isTold = preg_match("/{$pattern}/u", $passage->text, $found) === 1;
            if ($isTold && ! OtherAges::are($passage->text, $found[0], $found[1])) {
                $value = (float) Figures::value($found[1]);
                $score = 1.2 + $weight + Traps::trust($passage->section) -
                    (self::isOfArms($passage) ? 0.5 : 0.0) -
                    (Traps::isEntry($passage->text) ? 0.8 : 0.0);

                return $value > 0 && $value < 115
                    ? Lead::from($passage, Figures::told($value), $score, 'it is called a mean age', 'years')
                    : null;
            }
        }

        return null;
    }

    private static function isOfArms(Passage $passage): bool
    {
        return preg_match('/\b(?:respectively|group|arm|against|compared)\b/iu', $passage->text) === 1;
    }

    /** “45 (38–52)”: the number before two others is a median, unless it is called a mean. */
    private static function hasQuartiles(Passage $row): bool
    {
        $two = '/\d\s*[(\[]\s*\d+(?:[.·]\d+)?\s*(?:–|-|to|,|;)\s*\d+(?:[.·]\d+)?\s*[)\]]/u';

        return preg_match($two, implode(' | ', array_slice($row->cells, 1))) === 1;
    }

    /** @return list<Lead> */
    private function inRow(Passage $row): array
    {
        $label = $row->cells[0] ?? '';
        if (
            preg_match('/^(?:mean |average )?(?:\p{L}+ )?ages?\b/iu', $label) !== 1 ||
            preg_match('/\bmedian\b|\bgroup|\bunder|\bover|[<≥]|\d+\s*[–-]\s*\d+/iu', $label) === 1
        ) {
            return [];
        }
        $columns = Columns::of($row);
        $mean = $columns->mean();
        $isMedian = preg_match('/mean|average|\bM\b/u', $label) !== 1 && self::hasQuartiles($row);
        if ($mean === null || $mean < 1 || $mean > 115 || $isMedian) {
            return [];
        }
        $isMean = preg_match('/mean|average|SD|\bM\b/u', $label) === 1 || $columns->figures[0]->share !== null;
        $isWhole = $columns->whole() !== null;
        $score = 2.0 + ($isMean ? 0.6 : 0.0) + ($isWhole ? 0.7 : 0.0) + Traps::trust($row->section);

        return [
            Lead::from(
                $row,
                Figures::told(round($mean, 1)),
                $score,
                $isWhole ? 'the table’s column of all' : 'the mean over the table’s groups',
                'years',
            ),
        ];
    }
}
