<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;

/** Any other choice: the option whose words stand in a passage that speaks of the item. */
final class OptionReader implements LeadReader
{
    private const DENIED = '(?<!\bnot )(?<!\bno )(?<!\bnot a )(?<!\bnever )(?<!\bwithout )(?<!\brather than )(?<!\bnon-)';

    /** “Ambulance staff” are crews, too. */
    private const STAFF = '(?:staff|crew|personnel|worker|team)';

    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Choice;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(30) as $ranked) {
            $score = min(2.4, 0.8 + $ranked->score);
            foreach ($item->options as $option) {
                $said = self::said($option);
                if ($said !== null && $ranked->passage->has($said)) {
                    $leads[] = Lead::from($ranked->passage, $option, $score, 'the passage names this option');
                }
            }
        }

        $isWorthALook = fn (Lead $lead): bool => $lead->score >= LeadEngine::WORTH_A_LOOK;

        return array_filter($leads, $isWorthALook) === [] ? NamedOption::leads($item, $paper) : $leads;
    }

    /**
     * @return ?string a pattern of an option as papers write it: “double blind”, “nursing homes”, “nurse”, one of “doctors
     *                 or nurses”; null of “other”, which is said of everything
     */
    public static function said(string $option): ?string
    {
        $all = preg_split('/\s+or\s+|\s*\/\s*/u', trim(self::ownWords($option)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $says = fn (string $word): bool => preg_match('/^(?:others?|mixed|any|several)$/iu', $word) !== 1;
        $either = array_filter($all, $says);

        return $either === [] ? null : self::DENIED.'\b(?:'.implode('|', array_map(self::phrase(...), $either)).')\b';
    }

    private static function phrase(string $words): string
    {
        $one = (string) preg_replace('/(?<=\p{L}{4})(?<![sui])s$/u', '', trim($words));
        $parts = preg_split('/[\s-]+/u', $one, -1, PREG_SPLIT_NO_EMPTY) ?: [];

        $said = fn (string $word): string => preg_match('/^'.self::STAFF.'$/iu', $word) === 1 && count($parts) > 1
            ? self::STAFF
            : preg_quote($word, '/');

        return implode('[\s-]+', array_map($said, $parts)).'(?:e?s)?';
    }

    /** Of a narrower option those that it does not share with the broader one. */
    private static function ownWords(string $option): string
    {
        $parts = explode(Code::NARROWER, $option);

        return $parts[count($parts) - 1];
    }
}
