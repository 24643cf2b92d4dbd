<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;
use WaryHeron\Core\Coding\Lead\Ranked\Stems;

/** Any other text: the sentence that speaks most of it, for a person to look at. */
final class SentenceReader implements LeadReader
{
    private const LONGEST = 38;

    private const LOOKED_AT = 12;

    private const OFFERED = 3;

    public function reads(AskedItem $item): bool
    {
        return true;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(self::LOOKED_AT) as $ranked) {
            if (count($leads) === self::OFFERED) {
                break;
            }
            if (! self::speaksOf($item, $ranked->passage)) {
                continue;
            }
            $words = preg_split('/\s+/u', $ranked->passage->text) ?: [];
            $leads[] = Lead::from(
                $ranked->passage,
                implode(' ', array_slice($words, 0, self::LONGEST)),
                0.6 + $ranked->score,
                'the passage that speaks most of it',
            );
        }

        return $leads;
    }

    /** Whether it has half of the words of a name of the item: one of four says nothing, nor does a row of numbers. */
    private static function speaksOf(AskedItem $item, Passage $passage): bool
    {
        $said = Stems::of($passage->text);
        foreach ($passage->isRow() ? [] : $item->called() as $name) {
            $asked = array_unique(Stems::of($name));
            if ($asked !== [] && 2 * count(array_intersect($asked, $said)) >= count($asked)) {
                return true;
            }
        }

        return false;
    }
}
