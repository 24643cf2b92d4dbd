<?php

namespace Tests;

use PhpToken;

/** The named functions with a body that a file holds, each as it is written, without indentation. */
final class FunctionsIn
{
    /** @return list<string> */
    public static function file(string $path): array
    {
        return self::code((string) file_get_contents($path));
    }

    /** @return list<string> those within another's body belong to it */
    public static function code(string $code): array
    {
        $tokens = PhpToken::tokenize($code);
        $found = [];
        for ($i = 0; $i < count($tokens); $i++) {
            if ($tokens[$i]->is(T_FUNCTION) && self::isNamed($tokens, $i) && ($end = self::end($tokens, $i)) !== null) {
                $texts = array_column(array_slice($tokens, $i, $end - $i + 1), 'text');
                $found[] = implode("\n", array_map(trim(...), explode("\n", implode('', $texts))));
                $i = $end;
            }
        }

        return $found;
    }

    /** @param  list<PhpToken>  $tokens */
    private static function isNamed(array $tokens, int $at): bool
    {
        $next = $tokens[$at + 1]->is(T_WHITESPACE) ? $tokens[$at + 2] : $tokens[$at + 1];

        return $next->is(T_STRING);
    }

    /**
     * @param  list<PhpToken>  $tokens
     * @return ?int the place of the bracket that closes the body; null where there is none
     */
    private static function end(array $tokens, int $from): ?int
    {
        $depth = 0;
        for ($i = $from; $i < count($tokens); $i++) {
            if ($tokens[$i]->text === ';' && $depth === 0) {
                return null;
            }
            $depth += $tokens[$i]->is(['{', T_CURLY_OPEN, T_DOLLAR_OPEN_CURLY_BRACES]) ? 1 : 0;
            if ($tokens[$i]->text === '}' && --$depth === 0) {
                return $i;
            }
        }

        return null;
    }
}
