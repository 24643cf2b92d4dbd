<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\ColumnFigure;
use WaryHeron\Core\Coding\Lead\Columns;
use WaryHeron\Core\Coding\Lead\Count;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\People;
use WaryHeron\Core\Coding\Lead\Told\SexRatio;
use WaryHeron\Core\Coding\Lead\Told\Share;
use WaryHeron\Core\Coding\Lead\Traps;

/** The share of women and girls, counted out where only numbers are given. */
final class FemaleReader implements LeadReader
{
    private const WOMEN = '(?:women|woman|female|females|girls|mothers)';

    /** A share of women who have something is not one of women. */
    private const OTHER = '/\b(?:than|versus|v|vs|compared|prevalence|risk|rates?|more often|less often|reported by|'.
        'in women|among women|higher|lower)\b/iu';

    /** Women set against men: what is in percent is something that they have. */
    private const COMPARED = '/\b(?:wom[ae]n|females?|girls) [^.;]*\bthan (?:the )?(?:men|males?|boys)\b|\b(?:men|'.
        'males?|boys) [^.;]*\bthan (?:the )?(?:women|females?|girls)\b/iu';

    /** One group's share, and another's. */
    private const OF_ARM = '/\bin the (?:\p{L}+[ -]){1,3}(?:group|arm|wards?|schools?)\b[^.;]*%[^.;]*%|'.
        '\brespectively\b|%[^.;]{0,20}\b(?:versus|vs\.?|against)\b[^.;]{0,15}%/iu';

    private const PARTS = [
        'half' => 50.0,
        'a third' => 33.3,
        'one third' => 33.3,
        'two thirds' => 66.7,
        'a quarter' => 25.0,
        'one quarter' => 25.0,
        'three quarters' => 75.0,
    ];

    private const MEN = '(?:men|male|males|boys|fathers)';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number && $item->isAbout('female|women|\bsex\b|gender|girls');
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach ($paper->told() as $passage) {
            if (Traps::isCited($passage)) {
                continue;
            }
            $found = $passage->isRow() ? $this->inRow($passage, $paper) : $this->inText($passage, $paper);
            foreach (array_filter($found, fn (Share $share): bool => $share->isPossible()) as $share) {
                $weight = 1.2 + $share->weight + Traps::trust($passage->section);
                $leads[] = Lead::from($passage, Figures::told(round($share->percent, 1)), $weight, $share->reason, '%');
            }
        }

        return $leads;
    }

    /** @return list<Share> */
    private function inText(Passage $passage, Passages $paper): array
    {
        $text = $passage->text;
        $told = [
            ...$this->shares($text, self::WOMEN, fn (float $share): float => $share),
            ...$this->shares($text, self::MEN, fn (float $share): float => 100 - $share),
            ...$this->both($text),
            ...self::inWords($text),
            ...SexRatio::in($text),
        ];

        return $told === [] ? $this->ofWhole($passage, $paper) : $told;
    }

    /**
     * @param  \Closure(float): float  $of  women, of the share of those who are named
     * @return list<Share>
     */
    private function shares(string $text, string $who, \Closure $of): array
    {
        $told = [];
        $isOfAll = preg_match(self::COMPARED, $text) !== 1 && preg_match(self::OF_ARM, $text) !== 1;
        $share = $isOfAll ? self::first(self::shareOf($who), $text) : [];
        if ($share !== []) {
            $doubt = preg_match(self::OTHER, $text) === 1 ? 1.0 : 0.0;
            $told[] = new Share($of((float) Figures::value($share[1])), 1.5 - $doubt, 'a share is given');
        }
        $counted = self::first(self::countAndShareOf($who), $text);
        if ($counted !== []) {
            $told[] = new Share($of((float) Figures::value($counted[2])), 1.7, 'count and share are given');
        }

        return $told;
    }

    /** @return list<string> patterns of a share in percent */
    private static function shareOf(string $who): array
    {
        $percent = '('.Figures::PATTERN.')\s*(?:%|per cent|percent)';
        $people = '(?:of (?:the )?\p{L}+ )?(?:were |was |are )?(?:of them )?(?:identified (?:themselves )?as )?';

        return [
            "/{$percent}\)?\s*{$people}{$who}\b/iu",
            "/\b{$who}\b\s*[:,(]?\s*(?:\(?\s*(?:[Nn]\s*=\s*)?\d[\d,]*\s*[;,(\/]\s*)?{$percent}/iu",
            "/\b{$who}\b\s*\(\s*\d[\d,]*\s*(?:of|\/)\s*\d[\d,]*\s*[,;]?\s*{$percent}/iu",
            "/\b{$who}\b\s+(?:made up|accounted for|comprised|constituted|formed)\s+{$percent}/iu",
            "/\b{$who}\s+(?:sex|gender)\b[^.;\d]{0,25}{$percent}/iu",
            "/\b{$who}\s+(?:were|was|are) (?:in (?:the|a) (?:minority|majority)|(?:under|over)-?represented)\s*\({$percent}/iu",
        ];
    }

    /** @return list<string> patterns of a count and its share */
    private static function countAndShareOf(string $who): array
    {
        $number = '('.Figures::PATTERN.')';
        $share = '(\d{1,3}(?:[.·]\d+)?)\s*%';

        return [
            "/(?<![\d.]){$number}\s*(?:\({$share}\))\s*(?:were |of them |\p{L}+ )?{$who}\b/iu",
            "/(?<![\d.]){$number}\s+(?:were |of them |of these |\p{L}+ ){0,2}{$who}\b\s*\({$share}/iu",
            "/(?<![\d.]){$number}\s*\({$share}\)\s+of (?:the |these |all |our )?(?:[\d,]+ )?(?:\p{L}+ ){1,2}(?:were |are ){$who}\b/iu",
        ];
    }

    /**
     * @param  list<string>  $patterns
     * @return array<string> what the first of them that matches finds
     */
    private static function first(array $patterns, string $text): array
    {
        foreach ($patterns as $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                return $found;
            }
        }

        return [];
    }

    /** @return list<Share> where women and men are counted beside each other */
    private function both(string $text): array
    {
        $number = '('.Figures::PATTERN.')';
        $beside = fn (string $one, string $other): string => "/(?<![\d.]){$number}\s+(?:were )?{$one}\b[^.;]{0,40}?(?<![\d.]){$number}\s+(?:were )?{$other}\b/iu";
        if (preg_match($beside(self::WOMEN, self::MEN), $text, $m) === 1) {
            return self::part(Figures::value($m[1]), Figures::value($m[2]));
        }
        if (preg_match($beside(self::MEN, self::WOMEN), $text, $m) === 1) {
            return self::part(Figures::value($m[2]), Figures::value($m[1]));
        }

        return [];
    }

    /** @return list<Share> a half, two thirds, all */
    private static function inWords(string $text): array
    {
        $women = self::WOMEN;
        $parts = implode('|', array_keys(self::PARTS));
        $told = [];
        $part = "/\b({$parts})(?: of\b[^.;]{0,40}?|\)\s*|\s+)\b(?:were|are)\s+{$women}\b/iu";
        if (preg_match($part, strtr($text, '-', ' '), $m) === 1) {
            $told[] = new Share(self::PARTS[mb_strtolower($m[1])], 0.3, 'a part is given in words');
        }
        $all = "\b(?:every|each) \p{L}+ was (?:a )?{$women}\b|\ball\b(?! but)[^.;]{0,30}\b(?:were|are)\s+{$women}\b|".
            "\bonly {$women}\b|\ball of (?:them|whom) {$women}\b";
        $noMan = '\bno '.self::MEN.' (?:were|was|took part|participated|volunteered|agreed)\b';
        if (preg_match("/{$all}|{$noMan}/iu", $text) === 1) {
            $told[] = new Share(100.0, 1.0, 'all are women');
        }

        return $told;
    }

    /** @return list<Share> none where there are too few to be a study's */
    private static function part(?float $women, ?float $men): array
    {
        $all = (float) $women + (float) $men;

        return $all > 1 ? [new Share((100 * (float) $women) / $all, 1.5, 'counted from women and men')] : [];
    }

    /** @return list<Share> "sixteen of the 25 were women", or of those who were counted just before */
    private function ofWhole(Passage $passage, Passages $paper): array
    {
        $number = '(?<![\d.])('.Figures::PATTERN.')';
        $whole = 'of\s+(?:the|these|our|all)?\s*('.Figures::PATTERN.')\s+(?:\p{L}+\s+){0,3}?(?:were\s+)?';
        $before = '(?:of (?:them|these|whom|those) )?(?:were |are )?';
        foreach ([self::WOMEN, self::MEN] as $who) {
            if (preg_match("/{$number}\s+{$whole}{$who}\b/iu", $passage->text, $m) === 1) {
                [$part, $all] = [(float) Figures::value($m[1]), (float) Figures::value($m[2])];
                $share = self::ofAll($who, $part, $all);

                return $all >= $part && $all > 0 ? [new Share($share, 1.2, 'counted from a part of all')] : [];
            }
            if (preg_match("/{$number}\s+{$before}{$who}\b/iu", $passage->text, $m) === 1) {
                $part = (float) Figures::value($m[1]);
                $all = $this->before($passage, $paper, $part);

                return $all === null || $part < 1
                    ? []
                    : [new Share(self::ofAll($who, $part, $all), 0.7, 'counted from a part of those named before')];
            }
        }

        return [];
    }

    /** Women in percent of all, where so many are women or, the others being men, are men; 0 of nobody. */
    private static function ofAll(string $who, float $part, float $all): float
    {
        $share = $all > 0 ? (100 * $part) / $all : 0.0;

        return $who === self::MEN ? 100 - $share : $share;
    }

    private function before(Passage $passage, Passages $paper, float $part): ?float
    {
        for ($i = $passage->number; $i >= max(0, $passage->number - 2); $i--) {
            $counts = array_filter(
                People::counts($paper->all[$i]->text),
                fn (Count $count): bool => $count->value > $part && $count->value < 40 * $part,
            );
            if ($counts !== []) {
                return $counts[array_key_last($counts)]->value;
            }
        }

        return null;
    }

    /** @return list<Share> */
    private function inRow(Passage $row, Passages $paper): array
    {
        $label = $row->cells[0] ?? '';
        $both = SexRatio::inRow($row);
        if ($both !== null) {
            return [$both];
        }
        $isWomen =
            preg_match('/^(?:sex[^\p{L}]*|gender[^\p{L}]*)?(?:\p{L}+\s*[:,(]\s*)?'.self::WOMEN.'\b/iu', $label) ===
            1;
        $isMen = ! $isWomen && preg_match('/^(?:sex[^\p{L}]*|gender[^\p{L}]*)?'.self::MEN.'\b/iu', $label) === 1;
        $columns = Columns::of($row);
        if ((! $isWomen && ! $isMen) || $columns->figures === []) {
            return [];
        }
        $share = $this->share($columns, $label, $row, $paper);
        $isWhole = $columns->whole() !== null;

        return $share === null
            ? []
            : [new Share($isMen ? 100 - $share : $share, 1.1 + ($isWhole ? 0.6 : 0.2), 'from the table')];
    }

    private function share(Columns $columns, string $label, Passage $row, Passages $paper): ?float
    {
        $figures = array_slice($columns->figures, 0, $columns->arms());
        $whole = $columns->whole();
        $figures = $whole === null ? $figures : [$columns->figures[$whole]];
        $isPercent =
            preg_match('/%|per cent|percent/iu', $label) === 1 && preg_match('/\bn\b|\bno\.|number/iu', $label) !== 1;
        if ($isPercent) {
            return self::sum($figures) / count($figures);
        }
        $known = array_filter($figures, fn (ColumnFigure $one): bool => $one->share !== null || $one->n !== null);

        return count($known) === count($figures)
            ? self::ofColumns($figures)
            : $this->besideTheOthers($figures, $paper->all[$row->number + 1] ?? null);
    }

    /** @param  array<int, ColumnFigure>  $figures  each with its share or the number in its column */
    private static function ofColumns(array $figures): ?float
    {
        $all = 0.0;
        foreach ($figures as $one) {
            $all += $one->n ?? ($one->share > 0 ? (100 * $one->value) / $one->share : 1.0);
        }

        return $all > 0 ? (100 * self::sum($figures)) / $all : null;
    }

    /**
     * The row of the others may stand beneath it.
     *
     * @param  array<int, ColumnFigure>  $figures
     */
    private function besideTheOthers(array $figures, ?Passage $next): ?float
    {
        if ($next === null || preg_match('/^'.self::MEN.'\b/iu', $next->cells[0] ?? '') !== 1) {
            return null;
        }
        [$these, $others] = [self::sum($figures), self::sum(Columns::of($next)->figures)];

        return $these + $others > 0 ? (100 * $these) / ($these + $others) : null;
    }

    /** @param  array<int, ColumnFigure>  $figures */
    private static function sum(array $figures): float
    {
        return (float) array_sum(array_column($figures, 'value'));
    }
}
