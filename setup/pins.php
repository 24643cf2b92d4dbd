<?php

declare(strict_types=1);

/**
 * Writes the exact version of every PHP package that is installed into pins/composer.json and pins/dev/composer.json.
 * They stand in for a lock file, which would name the registry it was made from. Run after a package was changed.
 */
$root = dirname(__DIR__);
$installed = json_decode(
    (string) file_get_contents("{$root}/vendor/composer/installed.json"),
    true,
    flags: JSON_THROW_ON_ERROR,
);
$named = json_decode((string) file_get_contents("{$root}/composer.json"), true, flags: JSON_THROW_ON_ERROR);
$pins = ['pins' => [], 'pins/dev' => []];
foreach ($installed['packages'] as ['name' => $name, 'version' => $version]) {
    if (
        ! str_starts_with($name, 'wary-heron/') &&
        ! isset($named['require'][$name]) &&
        ! isset($named['require-dev'][$name])
    ) {
        $pins[in_array($name, $installed['dev-package-names'], true) ? 'pins/dev' : 'pins'][$name] = ltrim(
            $version,
            'v',
        );
    }
}
foreach ($pins as $folder => $versions) {
    ksort($versions);
    $package = [
        'name' => 'wary-heron/'.str_replace('/', '-', $folder),
        'description' => 'The exact versions of packages that others ask for; written by setup/pins.php.',
        'version' => '1.0.0',
        'type' => 'metapackage',
        'license' => 'AGPL-3.0-or-later',
        'require' => $versions,
    ];
    file_put_contents(
        "{$root}/{$folder}/composer.json",
        json_encode($package, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n",
    );
}
