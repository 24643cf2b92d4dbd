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
     * @return array<string, mixed> as ProseMirror's JSON
     */
    public static function document(string $title, array $analyses, \Closure $name): array
    {
        $content = [self::heading($title, 1, 'title', [1]), ['type' => 'paragraph']];
        foreach (self::BEFORE as $key => $section) {
            array_push($content, ...self::section($key, $section, $name));
        }
        foreach ($analyses as $id => $of) {
            array_push(
                $content,
                self::heading($of, 3, "analysis {$id}", [19, 20]),
                ['type' => 'paragraph'],
                self::block('forest', $id, $name),
            );
        }
        foreach (self::AFTER as $key => $section) {
            array_push($content, ...self::section($key, $section, $name));
        }

        return ['type' => 'doc', 'content' => $content];
    }

    /**
     * @param  array{string, int, list<int>, list<string>}  $section
     * @return list<array<string, mixed>>
     */
    private static function section(string $key, array $section, \Closure $name): array
    {
        [$title, $level, $items, $blocks] = $section;

        return [
            self::heading($title, $level, $key, $items),
            ['type' => 'paragraph'],
            ...array_map(fn (string $kind): array => self::block($kind, '', $name), $blocks),
        ];
    }

    /**
     * @param  list<int>  $items
     * @return array<string, mixed>
     */
    private static function heading(string $title, int $level, string $key, array $items): array
    {
        return [
            'type' => Node::HEADING,
            'attrs' => ['level' => $level, 'section' => $key, 'items' => $items],
            'content' => [['type' => Node::TEXT, 'text' => $title]],
        ];
    }

    /**
     * @param  \Closure(): string  $name
     * @return array<string, mixed>
     */
    private static function block(string $kind, string $source, \Closure $name): array
    {
        return [
            'type' => Node::LIVE_BLOCK,
            'attrs' => ['id' => $name(), 'kind' => $kind, 'source' => $source, 'caption' => ''],
        ];
    }
}
