<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Reads a paper from HTML: headings, paragraphs and tables as they are marked. */
final class HtmlPaper
{
    private const SKIPPED = ['script', 'style', 'head', 'nav', 'noscript', 'template'];

    private const BLOCKS = ['p', 'li', 'caption', 'blockquote', 'div', 'figcaption', 'dd', 'dt', 'pre'];

    /** @var list<Block> */
    private array $blocks = [];

    private string $heading = '';

    private SectionKind $section = SectionKind::Title;

    private function __construct()
    {
    }

    public static function read(string $html): Paper
    {
        $document = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        try {
            $document->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NONET | LIBXML_COMPACT);
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        $reader = new self();
        $reader->walk($document->documentElement ?? $document);

        return new Paper($reader->blocks, 1);
    }

    private function walk(\DOMNode $node): void
    {
        foreach ($node->childNodes as $child) {
            $name = strtolower($child->nodeName);
            match (true) {
                in_array($name, self::SKIPPED, true) => null,
                preg_match('/^h[1-6]$/', $name) === 1 => $this->heading($child),
                $name === 'tr' => $this->row($child),
                in_array($name, self::BLOCKS, true) && ! $this->holdsBlocks($child) => $this->add(
                    BlockKind::Paragraph,
                    $this->text($child),
                ),
                $child instanceof \DOMText => $this->add(BlockKind::Paragraph, $this->text($child)),
                default => $this->walk($child),
            };
        }
    }

    private function holdsBlocks(\DOMNode $node): bool
    {
        foreach ($node->childNodes as $child) {
            if (preg_match('/^(?:h[1-6]|p|div|table|ul|ol|li|blockquote|section)$/i', $child->nodeName) === 1) {
                return true;
            }
        }

        return false;
    }

    private function heading(\DOMNode $node): void
    {
        $text = $this->text($node);
        $this->section = SectionKind::of($text) ?? $this->section;
        $this->heading = $text;
        $this->add(BlockKind::Heading, $text);
    }

    private function row(\DOMNode $node): void
    {
        $cells = [];
        foreach ($node->childNodes as $cell) {
            if (in_array(strtolower($cell->nodeName), ['td', 'th'], true)) {
                $cells[] = $this->text($cell);
            }
        }
        $this->add(BlockKind::Row, trim(implode(' ', $cells)), $cells);
    }

    /** @param  list<string>  $cells */
    private function add(BlockKind $kind, string $text, array $cells = []): void
    {
        if ($text !== '') {
            $this->blocks[] = new Block($kind, $text, 1, $this->heading, $this->section, $cells);
        }
    }

    private function text(\DOMNode $node): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $node->textContent));
    }
}
