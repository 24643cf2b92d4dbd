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
    public function page(string $query, int $from, int $most, Order $order = Order::Newest): Page;

    /**
     * The counts of several queries, as far as there is time.
     *
     * @param  list<string>  $queries
     * @param  float  $until  seconds since 1970 after which no further one is begun
     * @return array<string, int|SourceFailed> by query; those that were not reached are missing
     */
    public function countAll(array $queries, float $until): array;

    /**
     * Words of its index that begin so, in order, as far as it lists them.
     *
     * @return list<string> none where it has no list
     *
     * @throws SourceFailed
     */
    public function words(string $beginning, int $most): array;

    /**
     * A name for the state of its holdings: what was counted holds while it stays the same.
     *
     * @throws SourceFailed
     */
    public function holdings(): string;

    /** The most records that the service gives at once. */
    public function batch(): int;
}
