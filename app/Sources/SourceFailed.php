<?php

declare(strict_types=1);

namespace App\Sources;

/** The service gave no usable answer. */
final class SourceFailed extends \RuntimeException
{
    private function __construct(string $message, public readonly bool $mayPass)
    {
        parent::__construct($message);
    }

    public static function unreachable(string $name): self
    {
        return new self("{$name} does not answer.", true);
    }

    public static function noCopy(string $why): self
    {
        return new self('The full-text locker has no copy'.($why === '' ? '.' : ": {$why}"), false);
    }

    public static function status(string $name, int $status): self
    {
        return new self("{$name} answered with status {$status}.", $status >= 500 || $status === 429);
    }

    public static function unreadable(string $name, string $why): self
    {
        return new self("{$name} sent an answer that cannot be read: {$why}.", true);
    }

    public static function refused(string $name, string $diagnostic, string $message, string $details): self
    {
        return new self(
            "{$name} refused the query: {$message}".($details === '' ? '' : " ({$details})").'.',
            $diagnostic === 'info:srw/diagnostic/1/2',
        );
    }
}
