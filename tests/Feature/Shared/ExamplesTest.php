<?php

namespace Tests\Feature\Shared;

/** What an operator copies from docs/examples has to fit the program as it is. */

/** @return array<string, string> by name */
function examples(): array
{
    $found = [];
    foreach (glob(base_path('docs/examples/*')) ?: [] as $path) {
        $found[basename($path)] = (string) file_get_contents($path);
    }

    return $found;
}

it('gives the program only orders that it knows', function () {
    $usage = (string) file_get_contents(base_path('heron'));
    $given = 0;
    foreach (examples() as $name => $text) {
        preg_match_all('~(?:\./|/)heron (\w[\w-]*)((?: --[\w-]+)*)~', $text, $orders, PREG_SET_ORDER);
        foreach ($orders as [, $order, $options]) {
            expect(preg_match("/^  {$order}\\b/m", $usage))->toBe(1, "{$name}: {$order}");
            foreach (array_filter(explode(' ', trim($options))) as $option) {
                expect(str_contains($usage, $option))->toBeTrue("{$name}: {$option}");
            }
            $given++;
        }
    }
    expect($given)->toBeGreaterThan(5);
});

it('has a service for each timer, and tells operators of every file', function () {
    $all = examples();
    $told = (string) file_get_contents(base_path('docs/operating.md'));
    foreach (array_keys($all) as $name) {
        expect(str_contains($told, "examples/{$name}"))->toBeTrue($name);
        if (str_ends_with($name, '.timer')) {
            expect(array_key_exists(str_replace('.timer', '.service', $name), $all))->toBeTrue($name);
        }
    }
});

it('hands the application the host, the scheme and the address that it believes', function () {
    $server = examples()['nginx-tls.conf'];
    foreach (['Host $host', 'X-Forwarded-Proto https', 'X-Forwarded-For $remote_addr'] as $head) {
        expect($server)->toContain("proxy_set_header {$head};");
    }
    expect($server)->toContain('ssl_protocols TLSv1.2 TLSv1.3;')->and($server)->not->toContain('X-Forwarded-Host');
});
