<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Parted;

use WaryHeron\Core\Text\Words;

/**
 * What the parts of a study are called, so that a text can be told to speak of one and not of another: by a whole name,
 * or by a word of it that no other part has.
 */
final readonly class PartNames
{
    /** What papers call arms beside their names. */
    public const USUAL = [
        'intervention' => ['intervention', 'treatment', 'treated', 'experimental', 'active'],
        'comparator' => ['control', 'controls', 'comparison', 'comparator', 'placebo', 'sham', 'untreated'],
    ];

    private const SMALL = ['the', 'and', 'for', 'with', 'arm', 'group', 'condition', 'or', 'no', 'of', 'in', 'at', 'a', 'to'];

    /**
     * @param  array<array-key, string>  $patterns  by part
     * @param  array<array-key, list<string>>  $longer  names of others that hold one of its own, as “no nap” holds “nap”
     */
    private function __construct(private array $patterns, private array $longer)
    {
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function wordsOfAll(array $names): array
    {
        return array_values(array_unique(array_merge([], ...array_map(self::words(...), $names))));
    }

    /** @param  array<array-key, list<string>>  $names  of each part, by what it is told apart with */
    public static function of(array $names): self
    {
        $words = array_map(self::wordsOfAll(...), $names);
        $patterns = $longer = [];
        foreach ($names as $part => $of) {
            $others = array_merge(...array_values(array_diff_key($words, [$part => true])) ?: [[]]);
            $own = array_map(fn (string $word): string => preg_quote($word, '/'), array_diff($words[$part], $others));
            $whole = array_map(fn (string $name): string => preg_quote(Words::fold(trim($name)), '/'), $of);
            $longer[$part] = self::longer($of, array_diff_key($names, [$part => true]));
            $patterns[$part] = '/(?<![\p{L}\p{N}])(?:'.implode('|', array_filter([...$whole, ...$own])).')(?:s|es)?(?![\p{L}\p{N}])/u';
        }

        return new self($patterns, $longer);
    }

    /**
     * @param  list<string>  $own
     * @param  array<array-key, list<string>>  $others
     * @return list<string>
     */
    private static function longer(array $own, array $others): array
    {
        $fold = fn (string $name): string => Words::fold(trim($name));
        $holdsOwn = fn (string $other): bool => array_filter(
            array_map($fold, $own),
            fn (string $name): bool => $name !== '' && $name !== $other && str_contains(" {$other} ", " {$name} "),
        ) !== [];

        return array_values(array_filter(array_map($fold, array_merge(...array_values($others) ?: [[]])), $holdsOwn));
    }

    /** @return list<string> the parts */
    public function parts(): array
    {
        return array_map(strval(...), array_keys($this->patterns));
    }

    /** @return list<string> the parts that a text names, in the order in which it does */
    public function in(string $text): array
    {
        $folded = Words::fold($text);
        $at = [];
        foreach ($this->patterns as $part => $pattern) {
            $blank = fn (string $name): string => str_repeat('-', strlen($name));
            $own = str_replace($this->longer[$part], array_map($blank, $this->longer[$part]), $folded);
            if (preg_match($pattern, $own, $found, PREG_OFFSET_CAPTURE) === 1) {
                $at[$part] = $found[0][1];
            }
        }
        asort($at);

        return array_map(strval(...), array_keys($at));
    }

    public function isOnly(string $part, string $text): bool
    {
        return $this->in($text) === [$part];
    }

    /** @return list<string> */
    private static function words(string $name): array
    {
        return array_values(array_filter(
            Words::of($name),
            fn (string $word): bool => (mb_strlen($word) > 2 || ctype_digit($word)) && ! in_array($word, self::SMALL, true),
        ));
    }
}
