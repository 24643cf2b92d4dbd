<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

/** Knows the number under which a heading is stored in the table's arrays. */
interface HeadingNumbers
{
    /** Null where the thesaurus has no such preferred label; upper and lower case are the same. */
    public function numberOf(string $label): ?int;
}
