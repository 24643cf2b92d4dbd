<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Eloquent looks some four hundred inherited methods of each model through for attributes, on each request; ours have
 * none, and their traits are found by name.
 */
trait BootsByName
{
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = [];
        foreach (class_uses_recursive(static::class) as $trait) {
            if (method_exists(static::class, $boot = 'boot'.class_basename($trait))) {
                static::$boot();
            }
            if (method_exists(static::class, $initialize = 'initialize'.class_basename($trait))) {
                static::$traitInitializers[static::class][] = $initialize;
            }
        }
    }
}
