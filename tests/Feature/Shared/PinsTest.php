<?php

namespace Tests\Feature\Shared;

use Composer\InstalledVersions;

/** pins/ stands in for a lock file: what one machine installs is what the next one installs. */
$pins = function (string $folder): array {
    return array_diff_key(json_decode(file_get_contents(base_path("{$folder}/composer.json")), true)['require'], [
        'php' => 1,
    ]);
};

it('names every installed package with its one version', function () use ($pins) {
    $named = json_decode(file_get_contents(base_path('composer.json')), true);
    $exact = $pins('pins') + $pins('pins/dev') + $named['require'] + $named['require-dev'];
    $installed = array_filter(
        InstalledVersions::getInstalledPackages(),
        fn (string $name): bool => ! str_starts_with($name, 'wary-heron/'),
    );
    $left = [];
    foreach (array_unique($installed) as $name) {
        $version = InstalledVersions::getPrettyVersion($name);
        if ($version !== null && ltrim($version, 'v') !== ($exact[$name] ?? null)) {
            $left[$name] = $version;
        }
    }
    expect($left)->toBe([])->and(count($installed))->toBeGreaterThan(100);
});

it('takes no range, and no host of a registry', function () use ($pins) {
    foreach ($pins('pins') + $pins('pins/dev') as $version) {
        expect($version)->toMatch('/^\d+(\.\d+)*$/');
    }
    expect(file_get_contents(base_path('package-lock.json')))->not->toContain('://'.'registry');
});
