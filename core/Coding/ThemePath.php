<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** Names of themes as people type them: several between commas, narrower ones behind ›, as “Comfort › Glare, Sleep”. */
final class ThemePath
{
    private const LONGEST = 120;

    private const DEEPEST = 6;

    /** @return list<non-empty-list<string>> each from the broadest to the narrowest, none twice */
    public static function all(string $typed): array
    {
        $paths = [];
        foreach (preg_split('/[,;\n]/u', $typed) ?: [] as $one) {
            $names = [];
            foreach (preg_split('/[›>]/u', $one) ?: [] as $name) {
                $name = mb_substr(trim((string) preg_replace('/\s+/u', ' ', $name)), 0, self::LONGEST);
                if ($name !== '' && count($names) < self::DEEPEST) {
                    $names[] = $name;
                }
            }
            if ($names !== []) {
                $paths[mb_strtolower(implode('›', $names))] = $names;
            }
        }

        return array_values($paths);
    }
}
