<?php

// What nearly every page needs, compiled and linked once when php-fpm starts (opcache.preload) instead of being looked
// up for each request.
// What cannot be linked here, for want of an optional package say, is loaded when it is asked for, as ever.

$root = dirname(__DIR__);
$framework = array_map(fn (string $part): string => "{$root}/vendor/laravel/framework/src/Illuminate/{$part}", [
    'Auth',
    'Bus',
    'Cache',
    'Collections',
    'Conditionable',
    'Config',
    'Container',
    'Contracts',
    'Cookie',
    'Database',
    'Encryption',
    'Events',
    'Filesystem',
    'Foundation',
    'Hashing',
    'Http',
    'Log',
    'Macroable',
    'Notifications',
    'Pagination',
    'Pipeline',
    'Queue',
    'Reflection',
    'Routing',
    'Session',
    'Support',
    'Translation',
    'Validation',
    'View',
]);
$libraries = array_map(fn (string $package): string => "{$root}/vendor/{$package}", [
    'symfony/http-foundation',
    'symfony/routing',
    'symfony/translation',
    'symfony/translation-contracts',
    'symfony/uid',
    'nesbot/carbon/src',
    'psr/container/src',
    'psr/clock/src',
    'psr/simple-cache/src',
    'psr/log/src',
    'vlucas/phpdotenv/src',
    'phpoption/phpoption/src',
    'laravel/serializable-closure/src',
]);

foreach ([...$framework, ...$libraries, "{$root}/app", "{$root}/core"] as $folder) {
    foreach (
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file
    ) {
        // a file of one class is named as it is; the others hold functions and settings
        if (
            preg_match(
                '~^(?!.*/(Console|Client|Session/Storage|Test|Testing|Tests|Resources|resources|Lang)/).*/[A-Z]\w*\.php$~',
                substr($file->getPathname(), strlen($root)),
            ) === 1
        ) {
            opcache_compile_file($file->getPathname());
        }
    }
}
