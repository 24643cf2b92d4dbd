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

/** The p value of the comparison on the main outcome. */
final class PValueReader implements LeadReader
{
    private const P = '/\b[Pp](?:\s*(?:-?values?)?\s*(?:for (?!trend|interaction|heterogen)[\p{L} -]+?)?\s*(?:was |of )?([=<>≤]|less than|below)'.
        '|[\s-](?:was|values?)(?: for (?!trend|interaction|heterogen)[\p{L} -]+?)?(?: was| of| being|:)?\s*)\s*(0?[.·]\d+)/u';

    /** What was chosen in advance is no result. */
    private const LEVEL = '\balpha\b|level of significance|considered (?:statistically )?significant|significance (?:level|was set)'.
        '|\b(?:took|taken|regarded|deemed|treated|defined)\b[^;]{0,40}\bsignifican';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::PValue;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $outcome = MainOutcome::of($paper);
        $leads = [];
        foreach ($outcome->results($paper) as $passage) {
            if ($passage->has(self::LEVEL)) {
                continue;
            }
            $base = $outcome->weight($passage) - ($passage->has('\bcorrelat\w+') ? 0.7 : 0.0);
            $leads = [
                ...$leads,
                ...self::inSentence($passage, $base),
                ...$passage->isRow() ? $this->inRow($passage, $base) : [],
            ];
        }

        return $leads;
    }

    /** @return list<Lead> */
    private static function inSentence(Passage $passage, float $base): array
    {
        preg_match_all(self::P, $passage->text, $found, PREG_SET_ORDER);
        $interval = $passage->has('\bCI\b|confidence (?:interval|limits)') ? 0.4 : 0.0;
        $leads = [];
        foreach ($found as $i => [, $sign, $value]) {
            $sign = in_array($sign, ['=', ''], true) ? '' : ($sign === '>' ? '>' : '<');
            $weight = 1.7 + $base - 0.3 * $i + $interval;
            $leads[] = Lead::from($passage, $sign.self::plain($value), $weight, 'a p value for the main outcome');
        }

        return $leads;
    }

    /** @return list<Lead> */
    private function inRow(Passage $row, float $base): array
    {
        foreach ($row->heads as $i => $head) {
            $cell = $row->cells[$i] ?? '';
            if (
                preg_match('/^\s*p\b/iu', $head) === 1 &&
                preg_match('/^\s*([<>≤])?\s*(0?[.·]\d+)/u', $cell, $found) === 1
            ) {
                return [
                    Lead::from(
                        $row,
                        ($found[1] === '' ? '' : '<').self::plain($found[2]),
                        1.5 + $base,
                        'the table’s column of p values',
                    ),
                ];
            }
        }

        return [];
    }

    private static function plain(string $value): string
    {
        $value = strtr($value, ['·' => '.']);

        return str_starts_with($value, '.') ? "0{$value}" : $value;
    }
}
