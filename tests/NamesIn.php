<?php

namespace Tests;

use PhpToken;

/** What a file of PHP names: classes by their whole names, and functions that it calls by name. */
final class NamesIn
{
    private const NAMES = [T_STRING, T_NAME_QUALIFIED, T_NAME_FULLY_QUALIFIED];

    /** Behind these a name is a member's, or one that is declared here. */
    private const NO_CALL = [T_OBJECT_OPERATOR, T_NULLSAFE_OBJECT_OPERATOR, T_DOUBLE_COLON, T_FUNCTION, T_NEW, T_FN, T_ATTRIBUTE];

    /** @return list<string> */
    public static function file(string $path): array
    {
        return self::code((string) file_get_contents($path));
    }

    /** @return list<string> */
    public static function code(string $code): array
    {
        $space = [T_WHITESPACE, T_COMMENT, T_DOC_COMMENT];
        $tokens = array_values(array_filter(PhpToken::tokenize($code), fn (PhpToken $one): bool => ! $one->is($space)));
        $names = self::imports($tokens);
        $namespace = '';
        foreach ($tokens as $i => $token) {
            $before = $tokens[$i - 1] ?? null;
            $next = $tokens[$i + 1]->text ?? '';
            if ($before?->is(T_NAMESPACE) === true) {
                $namespace = $token->text;
            } elseif ($token->is(T_NAME_FULLY_QUALIFIED)) {
                $names[] = ltrim($token->text, '\\');
            } elseif ($token->is(T_NAME_QUALIFIED) && self::isInCode($tokens, $i)) {
                $names[] = "{$namespace}\\{$token->text}";
            } elseif ($token->is(T_STRING) && $next === '(' && $before?->is(self::NO_CALL) !== true) {
                $names[] = $token->text;
            }
        }

        return array_values(array_unique($names));
    }

    /** @param  list<string>  $rooms  names, or what they begin with up to a backslash */
    public static function isOne(string $name, array $rooms): bool
    {
        return array_filter($rooms, fn (string $room): bool => $name === $room || str_starts_with($name, "{$room}\\")) !== [];
    }

    /**
     * @param  list<PhpToken>  $tokens
     * @return list<string>
     */
    private static function imports(array $tokens): array
    {
        $names = [];
        foreach ($tokens as $i => $token) {
            if (! $token->is(T_USE) || ($tokens[$i - 1]->text ?? '') === ')') {
                continue; // a closure takes variables along
            }
            $group = '';
            for ($at = $i + 1; ! in_array($tokens[$at]->text, [';', '}'], true); $at++) {
                $isAlias = $tokens[$at - 1]->is(T_AS);
                if ($tokens[$at + 1]->text === '\\' || $tokens[$at + 1]->is(T_NS_SEPARATOR)) {
                    $group = $tokens[$at]->text.'\\';
                } elseif ($tokens[$at]->is(self::NAMES) && ! $isAlias) {
                    $names[] = $group.$tokens[$at]->text;
                }
            }
        }

        return $names;
    }

    /** @param  list<PhpToken>  $tokens */
    private static function isInCode(array $tokens, int $at): bool
    {
        for ($i = $at - 1; $i >= 0 && ! in_array($tokens[$i]->text, [';', '{', '}'], true); $i--) {
            if ($tokens[$i]->is([T_USE, T_NAMESPACE])) {
                return false;
            }
        }

        return true;
    }
}
