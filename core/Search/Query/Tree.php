<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\LineReference;
use WaryHeron\Core\Search\Query\Node\Missing;
use WaryHeron\Core\Search\Query\Node\Near;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;

/** A query as plain arrays, for JSON and for reading a tree. */
final class Tree
{
    /** @return array<string, mixed> */
    public static function of(Node $node): array
    {
        return match (true) {
            $node instanceof Word => ['word' => $node->text] + ($node->truncated ? ['truncated' => true] : []),
            $node instanceof Phrase => ['phrase' => array_map(self::of(...), $node->words)],
            $node instanceof Near => [
                'near' => [self::of($node->left), self::of($node->right)],
                'distance' => $node->distance,
            ],
            $node instanceof Fielded => [
                'fields' => array_map(fn (Field $f): string => $f->value, $node->fields),
                'in' => self::of($node->inner),
            ],
            $node instanceof Heading => ['heading' => $node->label] +
                array_filter([
                    'narrower' => $node->narrower,
                    'major' => $node->major,
                    'qualifiers' => $node->qualifiers,
                    'less' => $node->less,
                ]),
            $node instanceof Limit => ['limit' => $node->kind->value] +
                ($node->kind === LimitKind::Year
                    ? ['from' => $node->from, 'to' => $node->to]
                    : ['value' => $node->value]),
            $node instanceof LineReference => ['lines' => $node->ranges, 'join' => $node->join?->value],
            $node instanceof Operation => [$node->operator->value => array_map(self::of(...), $node->operands)],
            $node instanceof Missing => ['missing' => true],
        };
    }

    /** @return list<Node> words, phrases and headings, as they come, out of all that joins them */
    public static function terms(Node $node): array
    {
        return match (true) {
            $node instanceof Word, $node instanceof Phrase, $node instanceof Heading => [$node],
            $node instanceof Near => [...self::terms($node->left), ...self::terms($node->right)],
            $node instanceof Fielded => self::terms($node->inner),
            $node instanceof Operation => array_merge(...array_map(self::terms(...), $node->operands)),
            default => [],
        };
    }
}
