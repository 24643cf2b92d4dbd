<?php

declare(strict_types=1);

/**
 * What the application is made of, as CycloneDX 1.5 JSON: PHP packages, front-end packages and Debian's programs, each with
 * its version. Usage: sbom.php DEBIAN-PACKAGE…
 */
$root = dirname(__DIR__);
$read = fn (string $file): array => json_decode((string) file_get_contents("{$root}/{$file}"), true, flags: JSON_THROW_ON_ERROR);
$component = fn (string $url, string $name, string $version, array $licences, bool $isNeeded): array => array_filter([
    'type' => 'library',
    'bom-ref' => $url,
    'name' => $name,
    'version' => $version,
    'scope' => $isNeeded ? 'required' : 'excluded',
    'licenses' => array_map(fn (string $one): array => str_contains($one, ' ') ? ['expression' => $one] : ['license' => ['name' => $one]], $licences),
    'purl' => $url,
]);
$components = [];
$installed = $read('vendor/composer/installed.json');
foreach ($installed['packages'] as $one) {
    if (str_starts_with($one['name'], 'wary-heron/')) {
        continue;
    }
    $version = ltrim($one['version'], 'v');
    $components[] = $component(
        "pkg:composer/{$one['name']}@{$version}",
        $one['name'],
        $version,
        $one['license'] ?? [],
        ! in_array($one['name'], $installed['dev-package-names'], true),
    );
}
foreach ($read('package-lock.json')['packages'] as $path => $one) {
    $at = strrpos($path, 'node_modules/');
    if ($at !== false && isset($one['version'])) {
        $name = substr($path, $at + strlen('node_modules/'));
        $components[] = $component('pkg:npm/'.str_replace('@', '%40', $name)."@{$one['version']}", $name, $one['version'], array_filter([$one['license'] ?? '']), true);
    }
}
foreach (array_slice($argv, 1) as $package) {
    $version = trim((string) shell_exec('dpkg-query -W -f=\'${Version}\' '.escapeshellarg($package).' 2>/dev/null'));
    if ($version !== '') {
        $components[] = $component("pkg:deb/debian/{$package}@".rawurlencode($version), $package, $version, [], true);
    }
}
$unique = array_values(array_column($components, null, 'bom-ref'));
usort($unique, fn (array $a, array $b): int => $a['bom-ref'] <=> $b['bom-ref']);
$commit = trim((string) shell_exec('git -C '.escapeshellarg($root).' rev-parse HEAD 2>/dev/null'));
echo json_encode([
    '$schema' => 'http://cyclonedx.org/schema/bom-1.5.schema.json',
    'bomFormat' => 'CycloneDX',
    'specVersion' => '1.5',
    'version' => 1,
    'metadata' => [
        'timestamp' => gmdate('Y-m-d\TH:i:s\Z'),
        'component' => array_filter(['type' => 'application', 'name' => 'wary-heron', 'version' => $commit, 'licenses' => [['license' => ['id' => 'AGPL-3.0-or-later']]]]),
    ],
    'components' => $unique,
], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), "\n";
