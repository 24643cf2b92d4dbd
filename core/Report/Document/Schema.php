<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/**
 * What may stand in a report: ProseMirror's JSON as the editor makes it, and nothing else. What came in is read into
 * nodes; anything unknown is refused with its place, so that what goes out needs no cleaning.
 *
 * @see https://prosemirror.net/docs/ref/#model for the form
 */
final class Schema
{
    /** Raised with every node or mark that is new, so that an older page cannot drop what it does not know. */
    public const VERSION = 2;

    private const DEEPEST = 30;

    private const MOST = 200_000;

    private const BLOCKS = [
        'paragraph',
        'heading',
        'bulletList',
        'orderedList',
        'blockquote',
        'table',
        Node::LIVE_BLOCK,
    ];

    private const INLINE = [Node::TEXT, 'hardBreak', Node::LIVE_NUMBER, Node::CITE, Node::FOOTNOTE, Node::BLOCK_REF];

    /** What each may hold; nothing where it is whole by itself. */
    private const CONTENT = [
        'doc' => self::BLOCKS,
        'paragraph' => self::INLINE,
        'heading' => self::INLINE,
        'bulletList' => ['listItem'],
        'orderedList' => ['listItem'],
        'listItem' => self::BLOCKS,
        'blockquote' => self::BLOCKS,
        'table' => ['tableRow'],
        'tableRow' => ['tableCell', 'tableHeader'],
        'tableCell' => self::BLOCKS,
        'tableHeader' => self::BLOCKS,
        'hardBreak' => [],
        Node::LIVE_BLOCK => [],
        Node::LIVE_NUMBER => [],
        Node::CITE => [],
        Node::FOOTNOTE => [],
        Node::BLOCK_REF => [],
    ];

    /** What each may say of itself, and how. */
    private const ATTRS = [
        'heading' => ['level' => 'level', 'section' => 'key', 'items' => 'numbers'],
        'orderedList' => ['start' => 'number', 'type' => 'key'],
        'tableCell' => ['colspan' => 'number', 'rowspan' => 'number', 'colwidth' => 'numbers', 'align' => 'key'],
        'tableHeader' => ['colspan' => 'number', 'rowspan' => 'number', 'colwidth' => 'numbers', 'align' => 'key'],
        Node::LIVE_BLOCK => ['id' => 'key', 'kind' => 'key', 'source' => 'key', 'caption' => 'text'],
        Node::LIVE_NUMBER => ['source' => 'key', 'shown' => 'text'],
        Node::CITE => ['ids' => 'keys'],
        Node::FOOTNOTE => ['text' => 'text'],
        Node::BLOCK_REF => ['id' => 'key'],
    ];

    private int $count = 0;

    private function __construct()
    {
    }

    /** @throws BadDocument */
    public static function read(string $json): Node
    {
        $data = json_decode($json, true, 2 * self::DEEPEST + 10);

        return is_array($data) ? self::node($data) : throw BadDocument::at(
            'the beginning',
            'this is no JSON, or too deep',
        );
    }

    /**
     * @param  array<mixed>  $data
     *
     * @throws BadDocument
     */
    public static function node(array $data): Node
    {
        $node = (new self())->checked($data, 'doc', 0);

        return $node->type === 'doc' ? $node : throw BadDocument::at('the beginning', 'a document begins with “doc”');
    }

    /** @param  array<mixed>  $data */
    private static function refuseUnknown(array $data, string $path): void
    {
        $unknown = array_diff(array_keys($data), ['type', 'content', 'attrs', 'marks', 'text']);
        if ($unknown !== []) {
            throw BadDocument::at($path, '“'.implode('”, “', $unknown).'” is not known');
        }
    }

    /** @param  array<mixed>  $data */
    private function checked(array $data, string $path, int $depth): Node
    {
        $type = $data['type'] ?? null;
        if ($depth > self::DEEPEST || ++$this->count > self::MOST) {
            throw BadDocument::at($path, 'it is too deep or too long');
        }
        if (! is_string($type) || ($type !== Node::TEXT && ! isset(self::CONTENT[$type]))) {
            throw BadDocument::at($path, 'this is nothing that a report has');
        }
        self::refuseUnknown($data, $path);

        return $type === Node::TEXT ? $this->text($data, $path) : $this->block($type, $data, $path, $depth);
    }

    /** @param  array<mixed>  $data */
    private function text(array $data, string $path): Node
    {
        $text = $data['text'] ?? null;
        if (! is_string($text) || $text === '' || ! mb_check_encoding($text, 'UTF-8')) {
            throw BadDocument::at($path, 'text is missing or no UTF-8');
        }
        $marks = [];
        foreach (is_array($data['marks'] ?? []) ? $data['marks'] ?? [] : [] as $mark) {
            $marks[] = self::mark(is_array($mark) ? $mark : [], $path);
        }

        return new Node(Node::TEXT, text: $text, marks: $marks);
    }

    /** @param  array<mixed>  $data */
    private function block(string $type, array $data, string $path, int $depth): Node
    {
        $content = [];
        foreach (is_array($data['content'] ?? []) ? $data['content'] ?? [] : [] as $i => $one) {
            $node = $this->checked(is_array($one) ? $one : [], "{$path} › {$type} {$i}", $depth + 1);
            if (! in_array($node->type, self::CONTENT[$type], true)) {
                throw BadDocument::at($path, "“{$type}” does not hold “{$node->type}”");
            }
            $content[] = $node;
        }

        return new Node($type, $content, self::attrs($type, $data['attrs'] ?? [], $path));
    }

    /** @return array<string, mixed> */
    private static function attrs(string $type, mixed $given, string $path): array
    {
        $attrs = [];
        foreach (is_array($given) ? $given : [] as $name => $value) {
            $how = self::ATTRS[$type][$name] ?? throw BadDocument::at($path, "“{$type}” has no “{$name}”");
            if ($value === null) {
                continue;
            }
            $isRight = match ($how) {
                'level' => in_array($value, [1, 2, 3], true),
                'number' => is_int($value) && $value >= 0 && $value < 10_000,
                'numbers' => is_array($value) && array_filter($value, fn (mixed $one): bool => ! is_int($one) && $one !== null) === [],
                'keys' => is_array($value) && array_filter($value, fn (mixed $one): bool => ! self::isKey($one)) === [],
                'key' => self::isKey($value),
                default => is_string($value) && mb_strlen($value) <= 4000 && mb_check_encoding($value, 'UTF-8'),
            };
            $attrs[$name] = $isRight ? $value : throw BadDocument::at(
                $path,
                "“{$name}” of “{$type}” is not as it should be",
            );
        }

        return $attrs;
    }

    /** @param  array<mixed>  $mark */
    private static function mark(array $mark, string $path): Mark
    {
        $attrs = is_array($mark['attrs'] ?? null) ? $mark['attrs'] : [];
        $type = $mark['type'] ?? '';
        $href = $attrs['href'] ?? null;
        $id = $attrs['id'] ?? null;

        return match (true) {
            $type === Mark::BOLD || $type === Mark::ITALIC => new Mark($type),
            $type === Mark::LINK && is_string($href) && preg_match('~^https?://\S{1,2000}$~iD', $href) === 1 => new Mark($type, $href),
            ($type === Mark::CLAIM || $type === Mark::REMARK) && self::isKey($id) => new Mark($type, $id),
            default => throw BadDocument::at($path, 'a mark is not as it should be'),
        };
    }

    /** @phpstan-assert-if-true string $value */
    private static function isKey(mixed $value): bool
    {
        return is_string($value) && preg_match('/^[\w:. -]{0,120}$/D', $value) === 1;
    }
}
