<?php

declare(strict_types=1);

namespace App\Logs;

use Monolog\Formatter\JsonFormatter;
use Monolog\LogRecord;
use Throwable;

/**
 * A line of JSON for each thing that happened, with the request that it belongs to and without what people typed: of a
 * failed statement the statement is told, and not its values.
 */
final class LogLine extends JsonFormatter
{
    private const FRAMES = 14;

    private const LONGEST = 400;

    public function format(LogRecord $record): string
    {
        $context = $record->context;
        $failure = $context['exception'] ?? null;
        if ($failure instanceof Throwable) {
            $context['exception'] = self::told($failure);
        }

        return parent::format($record->with(message: self::withoutValues($record->message), context: $context));
    }

    private static function told(Throwable $failure): object
    {
        $frames = array_slice($failure->getTrace(), 0, self::FRAMES);

        return (object) array_filter([
            'class' => $failure::class,
            'message' => self::withoutValues($failure->getMessage()),
            'at' => self::place($failure->getFile(), $failure->getLine()),
            'through' => array_map(fn (array $one): string => self::place($one['file'] ?? '', $one['line'] ?? 0), $frames),
            'because' => $failure->getPrevious() === null ? null : self::told($failure->getPrevious()),
        ]);
    }

    /** PostgreSQL's details name keys, and the framework writes values into the statement. */
    private static function withoutValues(string $message): string
    {
        if (str_contains($message, 'SQLSTATE')) {
            $message = (string) preg_replace('/(?:\R|\s(?:DETAIL|CONTEXT|HINT):|\s\(Connection:).*/s', '', $message);
            $message = (string) preg_replace('/"[^"]*"|\'[^\']*\'/', '…', $message);
        }

        return mb_substr(mb_scrub($message), 0, self::LONGEST);
    }

    private static function place(string $file, int $line): string
    {
        return str_replace(base_path().'/', '', $file).":{$line}";
    }
}
