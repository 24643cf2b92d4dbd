<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * Titles and abstracts without the marks of HTML, JATS and MathML that suppliers leave in them: letters set low or
 * high become Unicode's own where it has them, headings end in a colon, paragraphs in an empty line. "p < 0.05" is no
 * mark and stays.
 */
final class Markup
{
    private const LOW = [
        '0' => '₀',
        '1' => '₁',
        '2' => '₂',
        '3' => '₃',
        '4' => '₄',
        '5' => '₅',
        '6' => '₆',
        '7' => '₇',
        '8' => '₈',
        '9' => '₉',
        '+' => '₊',
        '-' => '₋',
        '−' => '₋',
        '=' => '₌',
        '(' => '₍',
        ')' => '₎',
        'a' => 'ₐ',
        'e' => 'ₑ',
        'h' => 'ₕ',
        'i' => 'ᵢ',
        'k' => 'ₖ',
        'm' => 'ₘ',
        'n' => 'ₙ',
        'o' => 'ₒ',
        'p' => 'ₚ',
        't' => 'ₜ',
        'x' => 'ₓ',
    ];

    private const HIGH = [
        '0' => '⁰',
        '1' => '¹',
        '2' => '²',
        '3' => '³',
        '4' => '⁴',
        '5' => '⁵',
        '6' => '⁶',
        '7' => '⁷',
        '8' => '⁸',
        '9' => '⁹',
        '+' => '⁺',
        '-' => '⁻',
        '−' => '⁻',
        '=' => '⁼',
        '(' => '⁽',
        ')' => '⁾',
        'i' => 'ⁱ',
        'n' => 'ⁿ',
    ];

    /** Elements that go and leave what is in them. */
    private const INLINE = 'a|abbr|b|bold|big|em|font|i|ins|italic|named-content|inline-formula|inline-graphic|monospace|overline|bdi|cite|code|del|inf|it|mark|nobr|q|s|scp|small-?caps|var|roman|sans-serif|sc|small|span|strike|strong|styled-content|sub|sup|tt|u|underline|xref|ext-link|m(?:ath|row|i|n|o|text|sup|sub|subsup|frac|sqrt|style|space|fenced|over|under|table|tr|td|stack|box|able)|semantics|annotation|tex-math|disp-formula|alternatives';

    private const BLOCK = 'abstract|p|div|sec|section|br|hr|li|list|list-item|ul|ol|table|tbody|thead|tr|td|th|blockquote|h[1-6]|label|title';

    /** So often a text may have been escaped over again. */
    private const ESCAPED = 4;

    public static function plain(string $text): string
    {
        for ($times = 0; $times < self::ESCAPED && self::mayBeIn($text); $times++) {
            $before = $text;
            $text = self::once($text);
            if ($text === $before) {
                break;
            }
        }

        return $text;
    }

    /** Whether a text holds a sign that marks and entities begin with. */
    public static function mayBeIn(string $text): bool
    {
        return strpbrk($text, '<&') !== false;
    }

    private static function once(string $text): string
    {
        if (str_contains($text, '<') || preg_match('/&(?:lt|#0*60|#x0*3c);\s*\/?[a-z]/i', $text) === 1) {
            $text = self::withoutElements(self::written($text));
        }
        // marks that were escaped, once more; an ampersand that a supplier escaped twice is one all the same
        $text = html_entity_decode($text, ENT_QUOTES | ENT_HTML5, 'UTF-8');
        $text = str_contains($text, '<') ? self::withoutElements($text) : $text;

        return trim(
            (string) preg_replace(['/&amp;/', '/[^\S\n]+/u', '/ ?\n ?/', '/\n{3,}/'], ['&', ' ', "\n", "\n\n"], $text),
        );
    }

    /** Elements that stand as entities, where an end of one does as well. */
    private static function written(string $text): string
    {
        return preg_match('/&lt;\/[a-z][\w:.-]*\s*&gt;/i', $text) === 1
            ? (string) preg_replace('/&lt;(\/?[a-z][\w:.-]*(?:\s[^<>&]*)?\/?)&gt;/i', '<$1>', $text)
            : $text;
    }

    private static function withoutElements(string $text): string
    {
        foreach (
            ['<!--' => '-->', '<script' => '</script>', '<style' => '</style>', '<annotation' => '</annotation>'] as $open => $close
        ) {
            $text = self::without($text, $open, $close);
        }
        $text = self::withHighAndLow(str_replace(['<![CDATA[', ']]>'], '', $text));
        // a heading within an abstract, ended as the labels of abstracts are
        $text = (string) preg_replace(
            '/<((?:[a-z][\w.-]*:)?(?:title|h[1-6]|label))(?:\s[^<>]*)?>\s*([^<>]{1,80}?)\s*[:.]?\s*<\/\1\s*>/iu',
            "\n\n$2: ",
            $text,
        );
        $text = (string) preg_replace('/\s*<\/?'.self::element('br|li|list-item|tr|td|th').'>\s*/i', "\n", $text);
        $text = (string) preg_replace('/:\s*<'.self::element('p').'>\s*/i', ': ', $text);
        $text = (string) preg_replace('/\s*<\/?'.self::element(self::BLOCK).'>\s*/i', "\n\n", $text);

        return (string) preg_replace('/<\/?'.self::element(self::INLINE).'>/i', '', $text);
    }

    /** “if a<b then b>a” has no mark: what follows the name of one is an attribute. */
    private static function element(string $names): string
    {
        return "(?:[a-z][\\w.-]*:)?(?:{$names})(?:\\s+[\\w:.-]+\\s*=[^<>]*+)?\\s*+\\/?";
    }

    private static function withHighAndLow(string $text): string
    {
        return (string) preg_replace_callback(
            '/<(sub|sup|inf)(?:\s[^<>]*)?>([^<>]{1,12})<\/\1\s*>/iu',
            fn (array $set): string => strtolower($set[1]) === 'sup' ? self::high($set[2]) : self::low($set[2]),
            $text,
        );
    }

    /** Without what stands between, in one pass however often it opens. */
    private static function without(string $text, string $open, string $close): string
    {
        $kept = '';
        for (
            $at = 0;
            ($from = stripos($text, $open, $at)) !== false && ($to = stripos($text, $close, $from)) !== false;
            $at = $to + strlen($close)
        ) {
            $kept .= substr($text, $at, $from - $at);
        }

        return $kept.substr($text, $at);
    }

    /** Set high, if all of it can be. */
    public static function high(string $text): string
    {
        return self::set($text, self::HIGH);
    }

    /** Set low, if all of it can be. */
    public static function low(string $text): string
    {
        return self::set($text, self::LOW);
    }

    /** @param  array<int|string, string>  $letters */
    private static function set(string $text, array $letters): string
    {
        $set = array_map(fn (string $letter): ?string => $letters[$letter] ?? null, mb_str_split(trim($text)));

        return in_array(null, $set, true) ? $text : implode('', $set);
    }
}
