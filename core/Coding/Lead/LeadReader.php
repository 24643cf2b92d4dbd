<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;

/** Reads leads to one kind of item. */
interface LeadReader
{
    public function reads(AskedItem $item): bool;

    /** @return list<Lead> in any order */
    public function leads(AskedItem $item, Passages $paper): array;
}
