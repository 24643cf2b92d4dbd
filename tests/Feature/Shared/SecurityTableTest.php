<?php

namespace Tests\Feature\Shared;

it('names in the table of security only tests that there are', function () {
    $table = (string) file_get_contents(base_path('docs/security.md'));
    preg_match_all('~`(tests/[\w/]+(?:\.php)?)`~', $table, $named);
    $missing = array_filter(array_unique($named[1]), fn (string $path): bool => ! file_exists(base_path($path)));
    expect($missing)->toBe([])->and(count($named[1]))->toBeGreaterThan(40);
});

it('has a row for every chapter of the standard that applies', function () {
    $table = (string) file_get_contents(base_path('docs/security.md'));
    foreach (range(1, 17) as $chapter) {
        expect(preg_match("/\\bV{$chapter}\\b/", $table))->toBe(1, "V{$chapter}");
    }
});
