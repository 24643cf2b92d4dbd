<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;

/** The words that a term searches, and the term with one of them in another form. */
final class TermWords
{
    /** @return list<Word> */
    public static function of(Node $node): array
    {
        return match (true) {
            $node instanceof Word => [$node],
            $node instanceof Phrase => $node->words,
            $node instanceof Fielded => self::of($node->inner),
            $node instanceof Near => [...self::of($node->left), ...self::of($node->right)],
            $node instanceof Operation => array_merge(...array_map(self::of(...), $node->operands)),
            default => [],
        };
    }

    public static function replaced(Node $node, Word $word, Word $other): Node
    {
        $inner = fn (Node $one): Node => self::replaced($one, $word, $other);

        return match (true) {
            $node === $word => $other,
            $node instanceof Phrase => new Phrase(
                array_map(fn (Word $one): Word => $one === $word ? $other : $one, $node->words),
            ),
            $node instanceof Fielded => new Fielded($node->fields, $inner($node->inner)),
            $node instanceof Near => new Near($inner($node->left), $inner($node->right), $node->distance),
            $node instanceof Operation => new Operation($node->operator, array_map($inner, $node->operands)),
            default => $node,
        };
    }
}
