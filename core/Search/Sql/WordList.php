<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Sql;

/** The words that an index holds, to write out what a masked word stands for. */
interface WordList
{
    /**
     * @param  string  $pattern  for whole folded words, as Mask::pattern makes it
     * @return list<string> at most $most, in any order
     */
    public function matching(string $pattern, int $most): array;
}
