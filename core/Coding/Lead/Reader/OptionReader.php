<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;

/** Any other choice: the option whose words stand in a passage that speaks of the item. */
final class OptionReader implements LeadReader
{
    private const DENIED = '(?<!\bnot )(?<!\bno )(?<!\bnot a )(?<!\bnever )(?<!\bwithout )(?<!\brather than )(?<!\bnon-)';

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
                if ($ranked->passage->has(self::said($option))) {
                    $leads[] = Lead::from($ranked->passage, $option, $score, 'the passage names this option');
                }
            }
        }

        return $leads;
    }

    /** A pattern of an option as papers write it: “double blind”, “nursing homes”. */
    private static function said(string $option): string
    {
        $words = preg_split('/[\s-]+/u', self::ownWords($option), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        $quoted = array_map(fn (string $word): string => preg_quote($word, '/'), $words);

        return self::DENIED.'\b'.implode('[\s-]+', $quoted).'(?:e?s)?\b';
    }

    /** Of a narrower option those that it does not share with the broader one. */
    private static function ownWords(string $option): string
    {
        $parts = explode(Code::NARROWER, $option);

        return $parts[count($parts) - 1];
    }
}
