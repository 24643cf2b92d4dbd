<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

/** @internal Cuts the typed text into tokens in one pass; nothing is dropped but white space. */
final class Lexer
{
    private const PATTERN = '~\G(?:
        (?<space>\s+)
        | (?<open>\() | (?<close>\))
        | ["“”„](?<quoted>[^"“”„]*)["“”„]
        | (?<unclosed>["“”„][^"“”„]*)
        | (?<near>NEAR/\d+)(?![^\s()"])
        | (?<line>\#\d+)
        | (?<comma>,) | (?<colon>:) | (?<slash>/)
        | (?<word>[^\s()"“”„:,/\#]+)
        | (?<sign>.)
    )~xsui';

    /** @return list<Token> ending in one of kind End */
    public static function tokens(string $text): array
    {
        $text = mb_scrub($text, 'UTF-8');
        $tokens = [];
        $column = 1;
        $offset = 0;
        while (
            $offset < strlen($text) &&
            preg_match(self::PATTERN, $text, $match, PREG_UNMATCHED_AS_NULL, $offset) === 1
        ) {
            $length = mb_strlen($match[0]);
            $offset += strlen($match[0]);
            [$kind, $value] = self::classify($match);
            if ($kind !== null) {
                $touches = $offset < strlen($text) && preg_match('/\G\s/u', $text, $m, 0, $offset) !== 1;
                $tokens[] = new Token($kind, $value, new Span($column, $column + $length - 1), $touches);
            }
            $column += $length;
        }
        $tokens[] = new Token(TokenKind::End, '', new Span(max(1, $column), max(1, $column)), false);

        return $tokens;
    }

    /**
     * @param  array<int|string, string|null>  $match
     * @return array{TokenKind|null, string}
     */
    private static function classify(array $match): array
    {
        return match (true) {
            $match['space'] !== null => [null, ''],
            $match['open'] !== null => [TokenKind::Open, '('],
            $match['close'] !== null => [TokenKind::Close, ')'],
            $match['quoted'] !== null => [TokenKind::Quoted, $match['quoted']],
            $match['unclosed'] !== null => [TokenKind::UnclosedQuoted, mb_substr($match['unclosed'], 1)],
            $match['near'] !== null => [TokenKind::Near, substr($match['near'], 5)],
            $match['line'] !== null => [TokenKind::Line, substr($match['line'], 1)],
            $match['comma'] !== null => [TokenKind::Comma, ','],
            $match['colon'] !== null => [TokenKind::Colon, ':'],
            $match['slash'] !== null => [TokenKind::Slash, '/'],
            $match['word'] !== null => [
                Operator::tryFrom(strtolower($match['word'])) !== null ? TokenKind::Operator : TokenKind::Word,
                $match['word'],
            ],
            default => [TokenKind::Sign, (string) $match[0]],
        };
    }
}
