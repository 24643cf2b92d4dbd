<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

use WaryHeron\Core\Search\Query\Lexer;
use WaryHeron\Core\Search\Query\TokenKind;

/** AND beside OR within one pair of brackets: read one way here and another way in most databases. */
final class MixedOperators
{
    public static function in(string $text): bool
    {
        $seen = [[]];
        foreach (Lexer::tokens($text) as $token) {
            if ($token->kind === TokenKind::Open) {
                $seen[] = [];
            } elseif ($token->kind === TokenKind::Close && count($seen) > 1) {
                array_pop($seen);
            } elseif ($token->kind === TokenKind::Operator) {
                $seen[count($seen) - 1][strtolower($token->text)] = true;
                if (isset($seen[count($seen) - 1]['or']) && count($seen[count($seen) - 1]) > 1) {
                    return true;
                }
            }
        }

        return false;
    }
}
