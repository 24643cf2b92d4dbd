<?php

declare(strict_types=1);

namespace App\Sources;

/** A bibliographic service that can be searched. */
interface Source
{
    /**
     * How many records the query finds; nothing is fetched.
     *
     * @throws SourceFailed
     */
    public function count(string $query): int;

    /**
     * @param  int  $from  position of the first record wanted, from 1
     *
     * @throws SourceFailed
     */
    public function page(string $query, int $from, int $most): Page;

    /** The most records that the service gives at once. */
    public function batch(): int;
}
