<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

use JsonSerializable;

/** A part of a document that has been checked: its type, what it is made of, and what is said of it. */
final readonly class Node implements JsonSerializable
{
    public const TEXT = 'text';

    public const LIVE_BLOCK = 'liveBlock';

    public const LIVE_NUMBER = 'liveNumber';

    public const CITE = 'cite';

    public const FOOTNOTE = 'footnote';

    /** "Figure 2": a live block named in the text */
    public const BLOCK_REF = 'blockRef';

    public const HEADING = 'heading';

    public const PARAGRAPH = 'paragraph';

    /**
     * @param  list<self>  $content
     * @param  array<string, mixed>  $attrs  as the schema has checked them
     * @param  list<Mark>  $marks  of text
     */
    public function __construct(
        public string $type,
        public array $content = [],
        public array $attrs = [],
        public string $text = '',
        public array $marks = [],
    ) {
    }

    public static function document(self ...$content): self
    {
        return new self('doc', array_values($content));
    }

    public static function paragraph(self ...$content): self
    {
        return new self(self::PARAGRAPH, array_values($content));
    }

    public static function text(string $text, Mark ...$marks): self
    {
        return new self(self::TEXT, text: $text, marks: array_values($marks));
    }

    /** @param  array<string, mixed>  $attrs  besides its level */
    public static function heading(string $text, int $level, array $attrs = []): self
    {
        return new self(self::HEADING, [self::text($text)], ['level' => $level, ...$attrs]);
    }

    public function said(string $attr): string
    {
        $said = $this->attrs[$attr] ?? '';

        return is_scalar($said) ? (string) $said : '';
    }

    /** @return list<string> of an attribute that is a list */
    public function list(string $attr): array
    {
        $list = $this->attrs[$attr] ?? [];

        return array_values(array_map(strval(...), array_filter(is_array($list) ? $list : [], is_scalar(...))));
    }

    /** The words in it, blocks parted by blanks. */
    public function words(): string
    {
        if ($this->type === self::TEXT) {
            return $this->text;
        }
        $isInline = in_array($this->type, [self::PARAGRAPH, self::HEADING], true);

        return trim(implode($isInline ? '' : ' ', array_map(fn (self $one): string => $one->words(), $this->content)));
    }

    /** @return \Generator<int, self> itself and all that is in it, in the order of reading */
    public function all(): \Generator
    {
        yield $this;
        foreach ($this->content as $node) {
            foreach ($node->all() as $one) {
                yield $one;
            }
        }
    }

    /** As ProseMirror's JSON, which Schema reads. */
    public function jsonSerialize(): object
    {
        $of = ['attrs' => $this->attrs, 'content' => $this->content, 'text' => $this->text, 'marks' => $this->marks];

        $isSaid = fn (array|string $one): bool => $one !== [] && $one !== '';

        return (object) ['type' => $this->type, ...array_filter($of, $isSaid)];
    }
}
