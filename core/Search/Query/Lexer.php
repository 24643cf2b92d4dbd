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
            if ($match['space'] === null) {
                $kind = self::kind($match);
                $touches = $offset < strlen($text) && preg_match('/\G\s/u', $text, $m, 0, $offset) !== 1;
                $span = new Span($column, $column + $length - 1);
                $tokens[] = new Token($kind, self::text($kind, $match), $span, $touches);
            }
            $column += $length;
        }
        $tokens[] = new Token(TokenKind::End, '', new Span(max(1, $column), max(1, $column)), false);

        return $tokens;
    }

    /** @param  array<int|string, string|null>  $match */
    private static function kind(array $match): TokenKind
    {
        return match (true) {
            $match['open'] !== null => TokenKind::Open,
            $match['close'] !== null => TokenKind::Close,
            $match['quoted'] !== null => TokenKind::Quoted,
            $match['unclosed'] !== null => TokenKind::UnclosedQuoted,
            $match['near'] !== null => TokenKind::Near,
            $match['line'] !== null => TokenKind::Line,
            $match['comma'] !== null => TokenKind::Comma,
            $match['colon'] !== null => TokenKind::Colon,
            $match['slash'] !== null => TokenKind::Slash,
            $match['word'] !== null => Operator::tryFrom(strtolower($match['word'])) !== null
                ? TokenKind::Operator
                : TokenKind::Word,
            default => TokenKind::Sign,
        };
    }

    /**
     * Without the signs that make it what it is.
     *
     * @param  array<int|string, string|null>  $match
     */
    private static function text(TokenKind $kind, array $match): string
    {
        return match ($kind) {
            TokenKind::Quoted => (string) $match['quoted'],
            TokenKind::UnclosedQuoted => mb_substr((string) $match['unclosed'], 1),
            TokenKind::Near => substr((string) $match['near'], 5),
            TokenKind::Line => substr((string) $match['line'], 1),
            default => (string) $match[0],
        };
    }
}
