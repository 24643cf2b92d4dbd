<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Strategy\Spelling;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\HeadingLookup;

/** Forms of its words that a term leaves out: the other number, the other English, the longer or shorter stem. */
final class SpellingCheck
{
    private const SHORT_STEM = 3;

    private const LEAST_STEM = 4;

    /** @return \Generator<int, Finding> */
    public static function of(CheckedTerm $term): \Generator
    {
        foreach ($term->root instanceof Heading ? [] : TermWords::of($term->root) as $word) {
            if (! $word->truncated) {
                $other = Spelling::otherNumber($word->text);
                yield from self::variants(
                    $term,
                    $word,
                    $other === null ? [] : [new Word($other)],
                    'plural or singular missing',
                    'the other number',
                );
            }
            $spelt = array_map(
                fn (string $one): Word => new Word($one, $word->truncated),
                Spelling::transatlantic($word->text),
            );
            yield from self::variants($term, $word, $spelt, 'other spelling missing', 'the other English spelling');
            yield from $word->truncated ? self::stem($term, $word) : [];
        }
    }

    /** @return \Generator<int, Finding> */
    private static function stem(CheckedTerm $term, Word $word): \Generator
    {
        if (mb_strlen($word->text) <= self::SHORT_STEM && ! str_contains($term->text(), '"')) {
            yield new Finding(
                "short/{$term->text()}/{$word->text}",
                'stem too short',
                "“{$word->text}*” has a very short stem and may bring words of other meaning. Look at what it finds, or write the endings out.",
                $term->line->id,
            );
        }
        $stem = HeadingLookup::stem(mb_strtolower($word->text));
        if (mb_strlen($stem) >= self::LEAST_STEM && mb_strlen($stem) < mb_strlen($word->text)) {
            yield from self::variants(
                $term,
                $word,
                [new Word($stem, true)],
                'stem cuts an ending off',
                'a shorter stem',
            );
        }
    }

    private static function typed(Word $word): string
    {
        return $word->text.($word->truncated ? '*' : '');
    }

    /**
     * @param  list<Word>  $others
     * @return \Generator<int, Finding> for those that the concept does not have
     */
    private static function variants(
        CheckedTerm $term,
        Word $word,
        array $others,
        string $kind,
        string $what,
    ): \Generator {
        $typed = array_map(fn ($line): string => mb_strtolower($line->text), $term->block->terms);
        foreach ($others as $other) {
            if (in_array(mb_strtolower($other->text), Words::of(implode(' ', $typed)), true)) {
                continue;
            }
            $more = TermWords::replaced($term->root, $word, $other);
            $text = Printer::print($more, Dialects::heron())->text;
            $said = '“'.self::typed($word)."” stands without {$what}, “".self::typed($other).'”.';
            yield $term->adding("variant/{$text}", $kind, $said, $text, $more, "Add {$text}");
        }
    }
}
