<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;
use WaryHeron\Core\Coding\Lead\Traps;

/** Any other number: one with the item's unit, or near its words, in a passage that speaks of it. */
final class NumberReader implements LeadReader
{
    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Number;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(12) as $ranked) {
            $passage = $ranked->passage;
            if (Traps::isCited($passage)) {
                continue;
            }
            $unit = $item->unit === '' ? '' : '\s*'.preg_quote($item->unit, '/').'\b';
            $number = '/(?<![\p{L}\d.])('.Figures::PATTERN.')'.$unit.'/iu';
            $value = preg_match($number, $passage->text, $found) === 1 ? Figures::value($found[1]) : null;
            if ($value !== null) {
                $leads[] = Lead::from(
                    $passage,
                    Figures::told($value),
                    0.9 + $ranked->score * ($unit === '' ? 0.8 : 1.4),
                    'the passage that speaks most of it has this number',
                    $item->unit,
                );
            }
        }

        return $leads;
    }
}
