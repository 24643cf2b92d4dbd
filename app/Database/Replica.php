<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/**
 * A copy of the database that follows it, where one is configured. Everything is read from the primary unless it was
 * said that it may be a moment old: whoever adds a query elsewhere cannot read what is stale by oversight.
 */
final class Replica
{
    /** What PostgreSQL calls a place in its log: two numbers in hexadecimal. */
    private const PLACE = '~^[0-9A-F]{1,8}/[0-9A-F]{1,8}$~';

    public static function isThere(): bool
    {
        return config('database.connections.pgsql.read') !== null;
    }

    /** From here on reads go to the primary. */
    public static function leave(?Connection $connection = null): void
    {
        ($connection ?? DB::connection())->useWriteConnectionWhenReading();
    }

    /**
     * From here on reads go to the replica, if it answers and has come as far as a place in the primary's log; after
     * something was written they go to the primary, as ever.
     *
     * @param  string  $place  of the last that is known to whoever reads; empty where nothing is
     * @return bool whether they do
     */
    public static function ask(string $place): bool
    {
        $connection = DB::connection();
        $connection->useWriteConnectionWhenReading(false);
        try {
            // what has been promoted meanwhile follows nobody, and knows all
            $isFar = $connection->scalar(
                'SELECT NOT pg_is_in_recovery() OR pg_last_wal_replay_lsn() >= ?::pg_lsn',
                [preg_match(self::PLACE, $place) === 1 ? $place : '0/0'],
            );
        } catch (\Throwable $why) {
            report($why);
            $isFar = false;
        }
        if ($isFar !== true) {
            self::leave($connection);
        }

        return $isFar === true;
    }

    /** Writes what nothing of this request reads, so that it goes on reading where it did. */
    public static function beside(\Closure $write): void
    {
        $hadWritten = DB::connection()->hasModifiedRecords();
        $write();
        DB::connection()->setRecordModificationState($hadWritten);
    }

    /** @return ?int bytes of the primary's log that it has still to take in; null if it does not answer, or follows nobody */
    public static function behind(): ?int
    {
        $place = self::place();
        $connection = DB::connection()->useWriteConnectionWhenReading(false);
        try {
            $behind = $connection->scalar(
                'SELECT pg_wal_lsn_diff(?::pg_lsn, pg_last_wal_replay_lsn()) WHERE pg_is_in_recovery()',
                [$place],
            );
        } catch (\Throwable) {
            $behind = null;
        } finally {
            self::leave($connection);
        }

        return $behind === null ? null : max(0, (int) $behind);
    }

    /** How far the primary's log has come. */
    public static function place(): string
    {
        return (string) DB::scalar('SELECT pg_current_wal_lsn()');
    }
}
