<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Word;
use WaryHeron\Core\FullText\Selector\Letters;
use WaryHeron\Core\FullText\Selector\Selector;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Text\QueryInWords;
use WaryHeron\Core\Text\Span;
use WaryHeron\Core\Text\Words;

/**
 * Where words stand in a copy, for whoever looks for them on its pages: as they are typed, or by the query language,
 * which is then to be answered within a sentence.
 */
final class WordsFound
{
    private const MOST = 200;

    private const SHORTEST = 2;

    /** Signs of the query language; without one of them what is typed is looked for as it stands. */
    private const QUERY = '/\b(?:AND|OR|NOT|NEAR)\b|["()*?~]/';

    private const END = '/[.!?]["”’)\]]?$/u';

    /** @return list<Selector> */
    public static function in(string $reviewId, string $fullTextId, string $words): array
    {
        $words = mb_substr($words, 0, 200);
        $query = self::query($words);
        $sought = Letters::fold($words);
        $found = [];
        if (mb_strlen($sought) < self::SHORTEST) {
            return $found;
        }
        foreach (PaperPages::of($reviewId, $fullTextId) as $page) {
            $places = $query !== null ? self::answering($page, $query) : Letters::of($page->words)->places($sought);
            foreach ($places as $place) {
                $found[] = Selector::of($page, $place->first, $place->last);
                if (count($found) === self::MOST) {
                    return $found;
                }
            }
        }

        return $found;
    }

    /** Null where the words are meant as they stand. */
    private static function query(string $words): ?Node
    {
        $query = preg_match(self::QUERY, $words) === 1 ? Parser::parse($words) : null;

        return $query !== null && $query->isComplete() && QueryInWords::can($query->root) ? $query->root : null;
    }

    /** @return \Generator<int, Span> of the words of the page */
    private static function answering(Page $page, Node $query): \Generator
    {
        foreach (self::sentences($page->words) as $sentence) {
            foreach (QueryInWords::places($query, array_column($sentence, 'folded')) as $place) {
                yield new Span($sentence[$place->first]->made->first, $sentence[$place->last]->made->last);
            }
        }
    }

    /**
     * @param  list<Word>  $words
     * @return list<list<FoldedWord>> the words of each sentence
     */
    private static function sentences(array $words): array
    {
        $sentences = [[]];
        $begun = '';
        foreach ($words as $i => $word) {
            $text = $begun.$word->text;
            $begins = $begun === '' ? $i : $i - 1;
            $isParted = preg_match('/\p{L}-$/u', $text) === 1 &&
                preg_match('/^\p{Ll}/u', $words[$i + 1]->text ?? '') === 1;
            if ($isParted && $begun === '') {
                $begun = mb_substr($text, 0, -1);

                continue;
            }
            $begun = '';
            foreach (Words::of($text) as $folded) {
                $sentences[count($sentences) - 1][] = new FoldedWord($folded, new Span($begins, $i));
            }
            if (preg_match(self::END, $text) === 1) {
                $sentences[] = [];
            }
        }

        return array_values(array_filter($sentences));
    }
}
