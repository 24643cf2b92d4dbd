<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Ranked\Ranking;

/** Any other text: the sentence that speaks most of it, for a person to look at. */
final class SentenceReader implements LeadReader
{
    private const LONGEST = 38;

    public function reads(AskedItem $item): bool
    {
        return true;
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $leads = [];
        foreach (Ranking::of($item, $paper)->best(3) as $ranked) {
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
}
