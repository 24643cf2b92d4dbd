<?php

declare(strict_types=1);

namespace App\Sources;

use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;

/** The services that are configured, by key. */
final class Sources
{
    public function get(string $key): Source
    {
        $settings =
            config("heron.sources.{$key}") ?? throw new \OutOfBoundsException("No source “{$key}” is configured.");

        return new SruClient(
            $settings['name'],
            $settings['url'],
            $settings['batch'],
            $settings['timeout'],
            $settings['asks'],
        );
    }

    public function dialect(string $key): Dialect
    {
        return Dialects::named((string) config("heron.sources.{$key}.dialect")) ??
            throw new \LogicException("The source {$key} has no dialect.");
    }

    public function shortName(string $key): string
    {
        return (string) config("heron.sources.{$key}.short");
    }

    public function has(string $key): bool
    {
        return config("heron.sources.{$key}") !== null;
    }

    /** @return array<string, string> names by key */
    public function names(): array
    {
        return array_map(fn (array $settings): string => $settings['name'], config('heron.sources'));
    }
}
