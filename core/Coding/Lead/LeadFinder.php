<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;

/** Whoever proposes answers to items from a paper. */
interface LeadFinder
{
    /**
     * @param  list<AskedItem>  $items
     * @return array<array-key, Lead> by item; those for which nothing was found are missing
     */
    public function leads(array $items, Passages $paper): array;
}
