<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\MainOutcome;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Told\ToldEstimate;

/** The estimate of the effect on the main outcome with its confidence limits, as the paper gives it. */
final class EstimateReader implements LeadReader
{
    private const NUMBER = '([−–-]?\s?(?:\d{1,4}(?:[.·]\d+)?|[.·]\d+))';

    private const INTERVAL = '/(?:95\s*(?:%|per cent)\s*(?:CI|C\.I\.|confidence (?:interval|limits?))|\bCI(?=\b|95)|confidence (?:interval|limits?))(?:\s*[(\[]CI[)\]])?(?:\s*95\s*%)?\s*[:,=]?\s*(?:from|of|was|were)?\s*[(\[]?\s*([−–-]?\d+(?:[.·]\d+)?)\s*%?\s*(?:to|,|;|and|–|-|−)\s*([−–-]?\d+(?:[.·]\d+)?)/iu';

    /** Limits in brackets after a number, where it is called a difference or a ratio. */
    private const BRACKETED = '/((?:\bstandardi[sz]ed mean )?\b(?:differences?|ratio|OR|RR|HR|IRR|MD)\b[^.;()]{0,50}\d[^;()]{0,15})[(\[]\s*([−–-]?\d+(?:[.·]\d+)?)\s*(?:to|,|;|–)\s*([−–-]?\d+(?:[.·]\d+)?)\s*[)\]]/u';

    private const CELL = '/^\s*([−–-]?\d+(?:[.·]\d+)?)\s*[(\[]\s*([−–-]?\d+(?:[.·]\d+)?)\s*(?:to|,|;|–)\s*([−–-]?\d+(?:[.·]\d+)?)\s*[)\]]/u';

    private const HEAD = '/CI|(?i:confidence|difference|ratio|effect|estimate)|OR\b|HR\b|RR\b/u';

    /** Has an interval, and compares nobody. */
    private const ALONE = '/\b(?:ICCs?|kappa|alpha|sensitivity|specificity|AUC|prevalence|incidence)\b(?! (?:rate )?ratio)[^.;]*$/iu';

    private const KINDS = [
        'OR' => '(?i:\bodds ratios?\b|\bodds of\b[^;]{0,60}\btimes\b)|\ba?ORs?\b',
        'HR' => '(?i:\bhazard ratios?\b)|\ba?HRs?\b',
        'IRR' => '(?i:\brate ratios?\b)|\bIRRs?\b',
        'RR' => '(?i:\b(?:relative risk|risk ratio|prevalence ratio)s?\b)|\ba?RRs?\b',
        'SMD' => '(?i:\bstandardi[sz]ed mean differences?\b)|\bSMD\b|\bCohen|\bHedges',
        'RD' => '(?i:\brisk difference\b|\bpercentage points?\b|\bdifference in (?:proportions|percentages)\b)',
        'beta' => '\bbeta\b|β',
        'r' => '(?i:\bcorrelat\w+\b)|\br\s*=',
        'MD' => '(?i:\b(?:mean )?differences?\b)|\bMD\b|\bchange\b|\bgain\b|\bincreas\w+|\bdecreas\w+|\bimprov\w+|\bfell\b|\brose\b|\b(?:long|short|bett|great|small|larg|fast|slow|quick|earli|strong|weak)er\b|\bworse\b|\bmore\b|\bfewer\b|\bless\b|\blower(?:ed|s)?\b|\brais\w+|\bcut\b|\bsaved\b|\bgained\b|\bhigher\b|\breduc\w+|\bdropp\w+|\bstep\b|\beffect\b',
    ];

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Estimate;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $outcome = MainOutcome::of($paper);
        $leads = [];
        foreach ($outcome->results($paper) as $passage) {
            $weight = $outcome->weight($passage) + ($passage->has('\badjust') ? 0.3 : 0.0);
            foreach ($this->estimates($passage, $item) as $estimate) {
                if ($item->options !== [] && ! in_array($estimate->kind, $item->options, true)) {
                    continue;
                }
                $strength = $estimate->strength + $weight;
                $leads[] = Lead::from($passage, $estimate->told(), $strength, 'an estimate for the main outcome');
            }
        }

        return $leads;
    }

    /** @return list<ToldEstimate> */
    private function estimates(Passage $passage, AskedItem $item): array
    {
        return $passage->isRow() ? $this->inRow($passage, $item) : $this->inText($passage, $item);
    }

    /** @return list<ToldEstimate> */
    private function inText(Passage $passage, AskedItem $item): array
    {
        preg_match_all(self::INTERVAL, $passage->text, $intervals, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        if ($intervals !== []) {
            return $this->beforeIntervals($passage, $item, $intervals) ?: self::change($passage->text);
        }
        if (preg_match(self::BRACKETED, $passage->text, $one) === 1) {
            [$low, $high] = [self::plain($one[2]), self::plain($one[3])];
            $value = $this->within($one[1], $low, $high);
            $kind = $this->kind($one[1], $passage->text, $item);
            if ($value !== null) {
                return $kind === null ? [] : [new ToldEstimate($kind, $value, 1.6, $low, $high)];
            }
        }

        return self::alone($passage->text);
    }

    /**
     * The estimate that stands before each interval and lies within it.
     *
     * @param  list<array<array{string, int}>>  $intervals
     * @return list<ToldEstimate>
     */
    private function beforeIntervals(Passage $passage, AskedItem $item, array $intervals): array
    {
        $found = [];
        $from = 0;
        foreach ($intervals as $interval) {
            $at = $interval[0][1];
            [$low, $high] = [self::plain($interval[1][0]), self::plain($interval[2][0])];
            $before = substr($passage->text, max($from, $at - 130), $at - max($from, $at - 130));
            $value = $this->within($before, $low, $high);
            $kind = $this->kind($before, $passage->text, $item);
            if ($value !== null && $kind !== null) {
                $found[] = new ToldEstimate($kind, $value, 2.0, $low, $high);
            }
            $from = $at + strlen($interval[0][0]);
        }

        return $found;
    }

    /** @return list<ToldEstimate> estimates without an interval */
    private static function alone(string $text): array
    {
        $found = [];
        if (preg_match('/'.self::NUMBER.'\s*(?:percentage points?|per cent points?)\b/iu', $text, $one) === 1) {
            return [new ToldEstimate('RD', self::plain($one[1]), 1.0)];
        }
        foreach (array_diff_key(self::KINDS, ['MD' => true]) as $kind => $pattern) {
            if (preg_match("/(?:{$pattern})[^\d.;]{0,25}".self::NUMBER.'/u', $text, $one) === 1) {
                $found[] = new ToldEstimate($kind, self::plain($one[1]), 1.0);
            }
        }

        return $found === [] ? self::change($text) : $found;
    }

    /** @return list<ToldEstimate> what changed by how much, in words */
    private static function change(string $text): array
    {
        $change = '/\b(?:difference|gain|change|increase|decrease|reduction|effect)\b[^\d.;(:]{0,40}?(?<![FtzχU] = )'
            .self::NUMBER.'(?!\d*\s*%\s*CI)/iu';

        return preg_match($change, $text, $one) === 1 ? [new ToldEstimate('MD', self::plain($one[1]), 0.8)] : [];
    }

    /** @return list<ToldEstimate> */
    private function inRow(Passage $row, AskedItem $item): array
    {
        $found = [];
        foreach (array_slice($row->cells, 1) as $i => $cell) {
            $head = $row->heads[$i + 1] ?? '';
            if (preg_match(self::CELL, $cell, $one) === 1 && preg_match(self::HEAD, $head) === 1) {
                [$value, $low, $high] = array_map(self::plain(...), array_slice($one, 1));
                $kind = $this->kind($head, $head.' '.$row->text, $item);
                array_push($found, ...$kind === null ? [] : [new ToldEstimate($kind, $value, 1.7, $low, $high)]);
            }
        }

        return $found;
    }

    /** The last number before an interval that lies within it. */
    private function within(string $before, string $low, string $high): ?string
    {
        $before = (string) preg_replace('/(?<=\d),(?=\d{3}(?!\d))/u', '', $before);
        preg_match_all('/(?<![\p{L}\d.])([−–-]?\d*[.·]?\d+)/u', $before, $found);
        [$low, $high] = [min((float) $low, (float) $high), max((float) $low, (float) $high)];
        foreach (array_reverse($found[1]) as $number) {
            $plain = self::plain($number);
            foreach ([$plain, ltrim($plain, '-')] as $value) {
                if ((float) $value >= $low && (float) $value <= $high) {
                    return $value;
                }
            }
        }

        return null;
    }

    /** @return ?string null for one that the item does not take, and for what compares nothing, such as a mean */
    private function kind(string $near, string $text, AskedItem $item): ?string
    {
        foreach (preg_match(self::ALONE, $near) === 1 ? [] : [$near, $text] as $where) {
            foreach (self::KINDS as $kind => $pattern) {
                if (preg_match("/{$pattern}/u", $where) === 1) {
                    return $item->options === [] || in_array($kind, $item->options, true) ? $kind : null;
                }
            }
        }

        return null;
    }

    private static function plain(string $number): string
    {
        return strtr(str_replace(' ', '', $number), ['−' => '-', '–' => '-', '·' => '.']);
    }
}
