<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

/** @internal One entry of a BibTeX file, its strings put together, its LaTeX still in it. */
final class BibtexEntry
{
    /** A value may have so many bytes when its strings are put together; nothing that people write comes near. */
    private const LARGEST_VALUE = 262_144;

    /** So many bytes an entry may have in all when its strings are put together. */
    private const LARGEST = 2_097_152;

    /** A value may be put together from so many pieces. */
    private const MOST_PIECES = 500;

    /**
     * The name of a field with its equals sign, after blanks, commas and comments; the comma may be missing, and the
     * equals sign before a bracket.
     */
    private const FIELD = '/\G(?:[\s,]++|%[^\n]*+(?:\n|$))*+([^\s,{}"()=#%@\\\\]++)\s*+(?:=\s*+|(?<=[\s\w])(?=[{"]))/';

    /** A name between commas that has no value says nothing. */
    private const BARE = '/\G[\s,]++[A-Za-z_][\w-]*+\s*+(?=,|[})]\s*$)/';

    /** What may follow a closing quotation mark; another one is part of the text, though it should stand in braces. */
    private const AFTER_QUOTE = '/\G\s*+(?:[,#})%]|$|[A-Za-z][\w-]*+\s*+=)/';

    /** How the types of entries are named, in a pattern. */
    public const TYPE = '[A-Za-z][A-Za-z0-9_.:-]{2,30}';

    /** @param  array<string, string>  $fields by name in lower case */
    public function __construct(
        public readonly string $type,
        public readonly string $key,
        public array $fields,
        public readonly string $source,
        public readonly int $line,
    ) {
    }

    /**
     * @param  string  $text  from the at sign to the closing bracket
     * @param  array<string, string>  $strings  what @string entries said before
     *
     * @throws \InvalidArgumentException If the text is no entry; the message says what is wrong, for a person.
     */
    public static function parse(string $text, int $line, array $strings): self
    {
        if (preg_match('/^@\s*('.self::TYPE.')\s*[{(]\s*/', $text, $head) !== 1) {
            throw new \InvalidArgumentException('The entry does not begin like @article{key, …}.');
        }
        $at = strlen($head[0]);
        $key = self::key($text, $at);
        $fields = self::fields($text, $at, $strings);
        self::refuseRest($text, $at);

        return new self(strtolower($head[1]), $key, $fields, $text, $line);
    }

    /**
     * The fields from $at on, the first of each name.
     *
     * @param  array<string, string>  $strings
     * @return array<string, string>
     */
    private static function fields(string $text, int &$at, array $strings): array
    {
        $fields = [];
        $bytes = 0;
        while (
            preg_match(self::FIELD, $text, $name, 0, $at) === 1 ||
            preg_match(self::BARE, $text, $name, 0, $at) === 1
        ) {
            $at += strlen($name[0]);
            if (! isset($name[1])) {
                continue;
            }
            $field = strtolower($name[1]);
            $value = self::value($text, $at, $strings, $field);
            $fields[$field] ??= $value;
            $bytes += strlen($value);
            if ($bytes > self::LARGEST) {
                throw self::tooLarge('The entry', self::LARGEST);
            }
        }

        return $fields;
    }

    /** Behind the last field comes nothing but comments, commas and the bracket that closes the entry. */
    private static function refuseRest(string $text, int $at): void
    {
        $end = strlen(rtrim($text)) - 1;
        $left = trim((string) preg_replace('/%[^\n]*/', '', substr($text, $at, max(0, $end - $at))), ", \t\r\n");
        if ($left !== '') {
            $shown = mb_strimwidth($left, 0, 40, '…');
            throw new \InvalidArgumentException(
                "The entry cannot be read at “{$shown}”: a field reads like name = {value}.",
            );
        }
    }

    private static function tooLarge(string $what, int $bytes): \InvalidArgumentException
    {
        return new \InvalidArgumentException(
            "{$what} has more than ".number_format($bytes).' bytes when its strings are put together.',
        );
    }

    /**
     * Takes over from the work it belongs to what it lacks: that one's title is what a chapter stands in, or the main
     * title of a volume; of what is like itself, as an article or a version, the title too.
     */
    public function inherit(self $parent): void
    {
        $goes = match (true) {
            str_starts_with($parent->type, 'mv') => 'main',
            $parent->type === 'periodical' => 'journal',
            BibtexTypes::isWithin($this->type) || in_array($parent->type, BibtexFamilies::PARENTS, true) => 'book',
            default => '',
        };
        foreach ($parent->fields as $name => $value) {
            $name = in_array($name, ['title', 'subtitle', 'titleaddon'], true) ? $goes.$name : $name;
            $this->fields[$name] ??= $value;
        }
        if (isset($parent->fields['author']) && BibtexTypes::isWithin($this->type)) {
            $this->fields['bookauthor'] ??= $parent->fields['author'];
        }
    }

    /** The key at $at, and $at behind it; empty where the fields begin at once. */
    private static function key(string $text, int &$at): string
    {
        $found = match (true) {
            preg_match(self::FIELD, $text, $none, 0, $at) === 1 => ['', ''],
            // up to its comma it may hold blanks and brackets
            preg_match('/\G([^,"{}=\r\n]*)(?:,|\s*(?=\}))/', $text, $key, 0, $at) === 1 => $key,
            preg_match('/\G([^,\s"{}()=]*)/', $text, $key, 0, $at) === 1 => $key,
            default => ['', ''],
        };
        $at += strlen($found[0]);

        return trim($found[1]);
    }

    /**
     * A value from $at on: pieces in braces or quotes, numbers and names of strings, joined by number signs.
     *
     * @param  array<string, string>  $strings
     *
     * @throws \InvalidArgumentException Also if it is larger than a value may be: strings of strings double with each
     *     line.
     */
    public static function value(string $text, int &$at, array $strings, string $field): string
    {
        $value = '';
        $pieces = 0;
        do {
            if (++$pieces > self::MOST_PIECES) {
                throw new \InvalidArgumentException(
                    "The value of “{$field}” is put together from more than ".self::MOST_PIECES.' pieces.',
                );
            }
            $at += strspn($text, " \t\r\n", $at);
            $value .= self::piece($text, $at, $strings, $field, $pieces === 1);
            if (strlen($value) > self::LARGEST_VALUE) {
                throw self::tooLarge("The value of “{$field}”", self::LARGEST_VALUE);
            }
            $at += strspn($text, " \t\r\n", $at);
            $more = ($text[$at] ?? '') === '#';
            $at += $more ? 1 : 0;
        } while ($more);

        return $value;
    }

    /**
     * One piece of a value; a value may be left out, a piece behind a number sign may not.
     *
     * @param  array<string, string>  $strings
     */
    private static function piece(string $text, int &$at, array $strings, string $field, bool $isFirst): string
    {
        $from = $at;
        if (in_array($text[$at] ?? '', ['{', '"'], true)) {
            $end = self::end($text, $at)
                ?? throw new \InvalidArgumentException("The value of “{$field}” does not end.");
            $at = $end + 1;

            return substr($text, $from + 1, $end - $from - 1);
        }
        if (preg_match('/\G[^\s,{}()"#=]++(?:[ \t]++[^\s,{}()"#=]++(?!\s*=))*+/', $text, $word, 0, $at) === 1) {
            $at += strlen($word[0]);

            return $strings[strtolower($word[0])] ?? $word[0];
        }
        if (! $isFirst || preg_match('/\G[,})]/', $text, $none, 0, $at) !== 1) {
            throw new \InvalidArgumentException("“{$field}” has no value.");
        }

        return '';
    }

    /** Where a value ends; one that holds the beginning of another field, on a line of its own, has a brace too much. */
    private static function end(string $text, int $from): ?int
    {
        $end = self::closing($text, $from);
        $isLong = $end !== null && strpbrk(substr($text, $from, $end - $from), '=') !== false;
        $another = '/(?<!\\\\)\}\s*,\s*\n\s*[A-Za-z_][\w-]*\s*=\s*["{\d]/';

        return $end === null || ($isLong && preg_match($another, substr($text, $from, $end - $from)) === 1)
            ? self::likelyEnd($text, $from)
            : $end;
    }

    /** Where a value ends whose braces do not pair: at the sign that another field, or the end of the entry, follows. */
    private static function likelyEnd(string $text, int $from): ?int
    {
        $close = $text[$from] === '"' ? '"' : '}';
        $found = preg_match(
            '/'.$close.'(?=\s*,\s*[A-Za-z_][\w:-]*\s*=\s*["{\w]|\s*,?\s*[})]\s*$)/',
            $text,
            $end,
            PREG_OFFSET_CAPTURE,
            $from + 1,
        );

        return $found === 1 ? $end[0][1] : null;
    }

    /** Where the brace or quote that opens at $from closes. */
    private static function closing(string $text, int $from): ?int
    {
        $quoted = $text[$from] === '"';
        $depth = $quoted ? 0 : 1;
        for ($at = $from + 1, $length = strlen($text); $at < $length; $at++) {
            $at += strcspn($text, '\\{}"', $at);
            switch ($text[$at] ?? '') {
                case '\\':
                    $at++;
                    break;
                case '{':
                    $depth++;
                    break;
                case '}':
                    $depth--;
                    if ($depth === 0 && ! $quoted) {
                        return $at;
                    }
                    break;
                case '"':
                    if ($quoted && $depth === 0 && preg_match(self::AFTER_QUOTE, $text, $none, 0, $at + 1) === 1) {
                        return $at;
                    }
            }
        }

        return null;
    }
}
