<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Markup;

/** Text as LaTeX writes it: accents, letters and signs as commands, braces that only group. */
final class Latex
{
    /** Combining marks (Unicode) by accent command. */
    private const ACCENTS = [
        '`' => "\u{300}",
        "'" => "\u{301}",
        '^' => "\u{302}",
        '~' => "\u{303}",
        '"' => "\u{308}",
        '=' => "\u{304}",
        '.' => "\u{307}",
        'u' => "\u{306}",
        'v' => "\u{30C}",
        'H' => "\u{30B}",
        'r' => "\u{30A}",
        'c' => "\u{327}",
        'k' => "\u{328}",
        'd' => "\u{323}",
        'b' => "\u{331}",
        't' => "\u{361}",
    ];

    private const PIECE = '/\\\\([`\'^~"=.]|[uvHrcdbkt](?![A-Za-z]))\s*(?:\{\s*(\\\\[ij](?![A-Za-z])|[^\s{}\\\\])?([^{}\\\\]*)\s*\}|(\\\\[ij](?![A-Za-z])\s?|[^\s{}\\\\]))|\\\\([A-Za-z]+)\*?(\{\}|\s*\{|\s+)?|\\\\(.)|(---|--|``|\'\')|([~{}$])/us';

    /** Plain text of LaTeX; what is not known is left as it stands, without the backslash. */
    public static function decoded(string $latex): string
    {
        if (strpbrk($latex, "\\{}~\$-`'") === false) {
            return $latex;
        }
        $text = (string) preg_replace_callback(self::PIECE, self::piece(...), self::set(self::withoutLinks($latex)));

        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return is_string($composed) ? $composed : '';
    }

    /** Where a link leads is no text; a note stands beside what it is on. */
    private static function withoutLinks(string $latex): string
    {
        $patterns = [
            '/\\\\(?:href|foreignlanguage|textcolor)\s*\{[^{}]*\}/' => '',
            '/\s*\\\\(?:footnote|thanks)\s*\{([^{}]*)\}/' => ' ($1)',
            '/\\\\(?:enquote|mkbibquote)\*?\s*\{((?:[^{}\\\\]++|\\\\.|(\{(?:[^{}\\\\]++|\\\\.|(?-1))*+\}))*+)\}/u' => '“$1”',
            // by what another title is sorted
            '/\\\\(?:noopsort|noop|[A-Za-z]*[Ss]ort[Nn]oop)\s*\{[^{}]*\}/' => '',
            '/\\\\(?:begin|end)\s*\{[^{}]*\}/' => ' ',
            '/\\\\[bB]ibstring\s*\{(new|old)series\}/' => '$1 series',
            '/\\\\[bB]ibstring\s*\{reviewof\}/' => 'review of',
            // accents within tabbing
            '/\\\\a([\'`=])/' => '\\\\$1',
            '/\\\\textcommabelow\s*\{([sStT])\}/' => "\$1\u{326}",
        ];

        return str_contains($latex, '\\')
            ? preg_replace(array_keys($patterns), array_values($patterns), $latex) ?? $latex
            : $latex;
    }

    /** Letters that are set high or low, by a command or in mathematics, as Unicode's own where it has them. */
    private static function set(string $latex): string
    {
        if (preg_match('/[_^]|textsu[bp]/', $latex) !== 1) {
            return $latex;
        }
        $set = fn (string $sign, string $text): string => $sign === '^' ? Markup::high($text) : Markup::low($text);
        $latex = (string) preg_replace_callback(
            '/\\\\textsu(b|per)script\s*\{([^{}\\\\]{1,12})\}/',
            fn (array $found): string => $set($found[1] === 'per' ? '^' : '_', $found[2]),
            $latex,
        );

        return (string) preg_replace_callback(
            '/(?<!\\\\)\$[^$]{1,300}\$/',
            fn (array $math): string => (string) preg_replace_callback(
                '/([_^])\s*(?:\{([^{}\\\\]{1,12})\}|([^\s{}\\\\$]))/u',
                fn (array $found): string => $set($found[1], $found[3] ?? $found[2] ?? ''),
                (string) preg_replace('/\^\s*(?:\{\s*\\\\circ\s*\}|\\\\circ(?![A-Za-z]))/', '°', $math[0]),
            ),
            $latex,
        );
    }

    /** The same text with every sign escaped that LaTeX would act on; decoded() gives it back. */
    public static function encoded(string $text): string
    {
        $text = strtr($text, [
            '\\' => '\\textbackslash{}',
            '{' => '\\{',
            '}' => '\\}',
            '&' => '\\&',
            '%' => '\\%',
            '$' => '\\$',
            '#' => '\\#',
            '_' => '\\_',
            '~' => '\\textasciitilde{}',
            '^' => '\\textasciicircum{}',
            '`' => '\\textasciigrave{}',
        ]);

        // two hyphens or quotes in a row would come back as one sign
        return (string) preg_replace('/([-\'])(?=\1)/', '$1{}', $text);
    }

    /** @param  array<string>  $found */
    private static function piece(array $found): string
    {
        $accent = $found[1] ?? '';
        if ($accent !== '') {
            $letter = ($found[2] ?? '') !== '' ? $found[2] : trim($found[4] ?? '');
            $letter = ['\\i' => 'i', '\\j' => 'j'][$letter] ?? $letter;

            return ($letter === '' ? '' : $letter.self::ACCENTS[$accent]).($found[3] ?? '');
        }
        if (($found[5] ?? '') !== '') {
            return LatexCommands::text($found[5], $found[6] ?? '');
        }
        if (($found[7] ?? '') !== '') {
            return match ($found[7]) {
                '\\', "\n", ',', ';', ':' => ' ',
                '-', '/', '!', '(', ')', '[', ']' => '',
                default => $found[7],
            };
        }

        return match ($found[8] ?? '') {
            '---' => '—',
            '--' => '–',
            '``' => '“',
            "''" => '”',
            default => ($found[9] ?? '') === '~' ? ' ' : '',
        };
    }
}
