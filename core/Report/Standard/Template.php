<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Standard;

use WaryHeron\Core\Report\Document\Node;

/**
 * The report that a review begins with: sections that answer every item of the reporting standard, with the live blocks
 * that belong there. What people say in them is theirs.
 */
final class Template
{
    /** Sections by key: title, level, items, live blocks. */
    private const BEFORE = [
        'abstract' => ['Abstract', 2, [1, 2], []],
        'background' => ['Background', 2, [3, 4], ['question']],
        'searched' => ['How we searched', 2, [6, 7], ['searches']],
        'chose' => ['How we chose', 2, [5, 8], ['criteria']],
        'read' => ['How we read and coded', 2, [9, 10, 11, 12, 13, 14, 15], []],
        'found' => ['What we found', 2, [], []],
        'selected' => ['Search and choice', 3, [16], ['flow']],
        'studies' => ['The studies', 3, [17], ['studies']],
        'soundness' => ['How sound they are', 3, [18], ['soundness']],
    ];

    private const AFTER = [
        'missing' => ['Results that may be missing', 3, [21], []],
        'certainty' => ['How certain it is', 3, [22], ['certainty']],
        'means' => ['What it means', 2, [23], []],
        'declared' => ['Registration, funding, interests and data', 2, [24, 25, 26, 27], []],
    ];

    /**
     * @param  array<string, string>  $analyses  titles by id
     * @param  \Closure(): string  $name  gives a new block its id
     */
    public static function document(string $title, array $analyses, \Closure $name): Node
    {
        $content = [self::heading($title, 1, 'title', [1]), Node::paragraph()];
        foreach (self::BEFORE as $key => $section) {
            array_push($content, ...self::section($key, $section, $name));
        }
        foreach ($analyses as $id => $of) {
            array_push(
                $content,
                self::heading($of, 3, "analysis {$id}", [19, 20]),
                Node::paragraph(),
                self::block('forest', $id, $name),
            );
        }
        foreach (self::AFTER as $key => $section) {
            array_push($content, ...self::section($key, $section, $name));
        }

        return Node::document(...$content);
    }

    /**
     * @param  array{string, int, list<int>, list<string>}  $section
     * @return list<Node>
     */
    private static function section(string $key, array $section, \Closure $name): array
    {
        [$title, $level, $items, $blocks] = $section;

        return [
            self::heading($title, $level, $key, $items),
            Node::paragraph(),
            ...array_map(fn (string $kind): Node => self::block($kind, '', $name), $blocks),
        ];
    }

    /** @param  list<int>  $items */
    private static function heading(string $title, int $level, string $key, array $items): Node
    {
        return Node::heading($title, $level, ['section' => $key, 'items' => $items]);
    }

    /** @param  \Closure(): string  $name */
    private static function block(string $kind, string $source, \Closure $name): Node
    {
        return new Node(
            Node::LIVE_BLOCK,
            attrs: ['id' => $name(), 'kind' => $kind, 'source' => $source, 'caption' => ''],
        );
    }
}
