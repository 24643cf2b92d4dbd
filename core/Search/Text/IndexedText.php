<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Text;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Text\Words;

/**
 * Builds PostgreSQL's tsvector text from fields: title A, abstract B, keywords C, authors D.
 *
 * Positions count the words that Words finds, so distances in a query are distances in the text. Between fields a gap
 * wider than any distance keeps a phrase or NEAR from reaching over.
 */
final class IndexedText
{
    private const WEIGHTS = ['A' => Field::Title, 'B' => Field::Abstract, 'C' => Field::Keyword, 'D' => Field::Author];

    /** Bytes; longer ones are no words but rubbish. */
    public const LONGEST_WORD = 100;

    private const GAP = 50;

    /** tsvector keeps no more than about so many places of a word. */
    private const MOST_PLACES = 250;

    /** tsvector keeps no position beyond this. */
    private const LAST_POSITION = 16383;

    /** @param  array<string, string>  $texts by Field value */
    public static function tsvector(array $texts): string
    {
        /**
         * @var array<string|int, string> $lexemes each written as it goes along: building lists of places first takes a
         *     quarter longer
         */
        $lexemes = [];
        $position = 0;
        foreach (self::WEIGHTS as $weight => $field) {
            foreach (Words::of($texts[$field->value] ?? '') as $word) {
                $position += $position < self::LAST_POSITION ? 1 : 0;
                if (! isset($lexemes[$word])) {
                    if (strlen($word) <= self::LONGEST_WORD) {
                        $lexemes[$word] = "'{$word}':{$position}{$weight}";
                    }
                } elseif (
                    strlen($lexemes[$word]) < self::MOST_PLACES ||
                    substr_count($lexemes[$word], ',') < self::MOST_PLACES - 1
                ) {
                    $lexemes[$word] .= ",{$position}{$weight}";
                }
            }
            $position = min($position + self::GAP, self::LAST_POSITION);
        }

        return implode(' ', $lexemes);
    }

    public static function weight(Field $field): ?string
    {
        return array_search($field, self::WEIGHTS, true) ?: null;
    }
}
