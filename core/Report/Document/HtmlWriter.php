<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** A checked document as HTML. */
final readonly class HtmlWriter
{
    public function __construct(private Resolver $resolver)
    {
    }

    public function write(Node $node): string
    {
        $inner = fn (): string => $this->all($node->content);

        return match ($node->type) {
            'doc' => $inner(),
            // an empty line is for who writes, not for who reads
            'paragraph' => $node->content === [] ? '' : "<p>{$inner()}</p>\n",
            Node::HEADING => $this->heading($node),
            'bulletList' => "<ul>\n{$inner()}</ul>\n",
            'orderedList' => "<ol>\n{$inner()}</ol>\n",
            'listItem' => "<li>{$inner()}</li>\n",
            'blockquote' => "<blockquote>\n{$inner()}</blockquote>\n",
            'table' => "<table>\n{$inner()}</table>\n",
            'tableRow' => "<tr>{$inner()}</tr>\n",
            'tableCell' => "<td{$this->spans($node)}>{$inner()}</td>",
            'tableHeader' => "<th scope=\"col\"{$this->spans($node)}>{$inner()}</th>",
            'hardBreak' => '<br>',
            Node::LIVE_BLOCK => $this->resolver->block($node),
            Node::LIVE_NUMBER => self::escaped($node->said('shown')),
            Node::CITE => $this->resolver->citation($node),
            Node::FOOTNOTE => $this->resolver->footnote($node),
            Node::BLOCK_REF => $this->resolver->reference($node),
            default => self::escaped($node->text),
        };
    }

    public static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE);
    }

    /**
     * Words of one claim that stand together are one, however they are set.
     *
     * @param  list<Node>  $nodes
     */
    private function all(array $nodes): string
    {
        $html = $open = '';
        $claim = null;
        foreach ([...$nodes, null] as $node) {
            $of = $node === null ? null : self::claimOf($node);
            if ($of !== $claim && $claim !== null) {
                $html .= $this->resolver->claim($claim, $open);
                $open = '';
            }
            $claim = $of;
            $words = $node === null ? '' : ($node->type === Node::TEXT ? self::marked($node) : $this->write($node));
            $claim === null ? $html .= $words : $open .= $words;
        }

        return $html;
    }

    private static function claimOf(Node $node): ?string
    {
        foreach ($node->marks as $mark) {
            if ($mark->type === Mark::CLAIM) {
                return $mark->value;
            }
        }

        return null;
    }

    private static function marked(Node $text): string
    {
        $html = self::escaped($text->text);
        foreach (array_reverse($text->marks) as $mark) {
            $html = match ($mark->type) {
                Mark::BOLD => "<strong>{$html}</strong>",
                Mark::ITALIC => "<em>{$html}</em>",
                Mark::LINK => '<a href="'.self::escaped($mark->value)."\">{$html}</a>",
                default => $html,
            };
        }

        return $html;
    }

    private function heading(Node $node): string
    {
        $level = max(1, min(3, (int) $node->said('level')));
        $id = $node->said('section') === '' ? '' : ' id="section-'.self::escaped($node->said('section')).'"';

        return "<h{$level}{$id}>{$this->all($node->content)}</h{$level}>\n";
    }

    private function spans(Node $cell): string
    {
        $spans = '';
        foreach (['colspan', 'rowspan'] as $span) {
            $spans .= (int) $cell->said($span) > 1 ? " {$span}=\"{$cell->said($span)}\"" : '';
        }

        return $spans;
    }
}
