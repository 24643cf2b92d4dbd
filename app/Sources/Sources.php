<?php

declare(strict_types=1);

namespace App\Sources;

/** The services that are configured, by key. */
final class Sources
{
    public function get(string $key): Source
    {
        $settings = config("heron.sources.{$key}") ?? throw new \OutOfBoundsException("No source “{$key}” is configured.");

        return new SruClient($settings['name'], $settings['url'], $settings['batch'], $settings['timeout']);
    }

    /** @return array<string, string> names by key */
    public function names(): array
    {
        return array_map(fn (array $settings): string => $settings['name'], config('heron.sources'));
    }
}
