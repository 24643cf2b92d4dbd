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

    /** @param  array<array-key, string>  $patterns  by part */
    private function __construct(private array $patterns)
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
        $patterns = [];
        foreach ($names as $part => $of) {
            $others = array_merge(...array_values(array_diff_key($words, [$part => true])) ?: [[]]);
            $own = array_map(fn (string $word): string => preg_quote($word, '/'), array_diff($words[$part], $others));
            $whole = array_map(fn (string $name): string => preg_quote(Words::fold(trim($name)), '/'), $of);
            $patterns[$part] = '/(?<![\p{L}\p{N}])(?:'.implode('|', array_filter([...$whole, ...$own])).')(?:s|es)?(?![\p{L}\p{N}])/u';
        }

        return new self($patterns);
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
            if (preg_match($pattern, $folded, $found, PREG_OFFSET_CAPTURE) === 1) {
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
