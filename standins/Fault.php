<?php

declare(strict_types=1);

namespace WaryHeron\Standins;

use PDO;

/**
 * Bad days, ordered in advance: the next so many answers of a service are slow, fail, are rubbish, break off, or count
 * other totals.
 */
final class Fault
{
    public const KINDS = ['slow', 'fail', 'rubbish', 'cut', 'totals'];

    private const SLOW_SECONDS = 5;

    public static function order(PDO $database, string $service, string $kind, int $times): void
    {
        self::prepare($database);
        $database->prepare('DELETE FROM faults WHERE service = ? AND kind = ?')->execute([$service, $kind]);
        $times > 0 &&
            $database
                ->prepare('INSERT INTO faults (service, kind, times_left) VALUES (?, ?, ?)')
                ->execute([$service, $kind, $times]);
    }

    /** Whether this answer is to suffer so; it then counts as one of those ordered. */
    public static function strikes(PDO $database, string $service, string $kind): bool
    {
        $one = $database->prepare(
            'UPDATE faults SET times_left = times_left - 1 WHERE service = ? AND kind = ? AND times_left > 0',
        );
        $one->execute([$service, $kind]);

        return $one->rowCount() > 0;
    }

    /** The answer as it arrives, and its status. */
    public static function applied(PDO $database, string $service, string $answer): string
    {
        if (! self::isOrdered($database, $service)) {
            return $answer;
        }
        if (self::strikes($database, $service, 'slow')) {
            sleep(self::SLOW_SECONDS);
        }
        if (self::strikes($database, $service, 'fail')) {
            http_response_code(503);

            return 'Out of order.';
        }
        if (self::strikes($database, $service, 'rubbish')) {
            return '<html><body><h1>Maintenance</h1><p>Back soon.</body></html>';
        }

        return self::strikes($database, $service, 'cut') ? substr($answer, 0, intdiv(strlen($answer), 2)) : $answer;
    }

    /** Makes the table, once for all answers. */
    public static function prepare(PDO $database): void
    {
        $database->exec(
            'SET client_min_messages = warning; CREATE TABLE IF NOT EXISTS faults (service text, kind text, times_left integer NOT NULL, PRIMARY KEY (service, kind))',
        );
    }

    private static function isOrdered(PDO $database, string $service): bool
    {
        $any = $database->prepare('SELECT 1 FROM faults WHERE service = ? AND times_left > 0');
        $any->execute([$service]);

        return $any->fetchColumn() !== false;
    }
}
