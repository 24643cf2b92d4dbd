<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadReader;
use WaryHeron\Core\Coding\Lead\MainOutcome;
use WaryHeron\Core\Coding\Lead\Passages;

/** The outcome that is named as the primary one, or the only one. */
final class OutcomeReader implements LeadReader
{
    public function reads(AskedItem $item): bool
    {
        return $item->type === ItemType::Text && $item->isAbout('outcome|end-?point');
    }

    public function leads(AskedItem $item, Passages $paper): array
    {
        $outcome = MainOutcome::of($paper);
        if ($outcome->passage === null) {
            return [];
        }

        return [
            Lead::from(
                $outcome->passage,
                $outcome->text,
                $outcome->isNamed() ? 3.1 : 1.5,
                $outcome->isNamed()
                    ? 'it is named as the main outcome'
                    : 'outcomes are told, none of them as the main one',
            ),
        ];
    }
}
