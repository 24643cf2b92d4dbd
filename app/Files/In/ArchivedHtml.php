<?php

declare(strict_types=1);

namespace App\Files\In;

use DOMDocument;
use DOMElement;
use WaryHeron\Core\Archive\BadArchive;

/**
 * What the blocks of a report show is kept as HTML that this program made. An archive may have been made by others: only
 * what such blocks are made of is let in.
 */
final class ArchivedHtml
{
    private const ELEMENTS = [
        'a', 'abbr', 'b', 'blockquote', 'br', 'caption', 'circle', 'cite', 'code', 'col', 'colgroup', 'dd', 'defs', 'desc',
        'div', 'dl', 'dt', 'ellipse', 'em', 'figcaption', 'figure', 'g', 'h1', 'h2', 'h3', 'h4', 'hr', 'i', 'kbd', 'li',
        'line', 'lineargradient', 'marker', 'mark', 'ol', 'p', 'path', 'pattern', 'polygon', 'polyline', 'q', 'rect', 's', 'section',
        'small', 'span', 'stop', 'strong', 'sub', 'sup', 'svg', 'symbol', 'table', 'tbody', 'td', 'text', 'tfoot', 'th', 'thead',
        'time', 'title', 'tr', 'tspan', 'u', 'ul',
    ];

    private const ADDRESSES = ['href', 'xlink:href', 'src'];

    /** @throws BadArchive If there is anything else in it. */
    public static function check(string $html): void
    {
        $document = new DOMDocument();
        $before = libxml_use_internal_errors(true);
        $document->loadHTML('<?xml encoding="UTF-8"><div>'.$html.'</div>', LIBXML_NONET | LIBXML_HTML_NOIMPLIED);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        foreach ($document->getElementsByTagName('*') as $element) {
            self::checkElement($element);
        }
        foreach ((new \DOMXPath($document))->query('//comment() | //processing-instruction()') ?: [] as $node) {
            if ($node->nodeName !== 'xml') {
                throw new BadArchive('A block of its report holds a comment, which no block of ours does.');
            }
        }
    }

    private static function checkElement(DOMElement $element): void
    {
        $name = strtolower($element->nodeName);
        if (! in_array($name, self::ELEMENTS, true)) {
            throw new BadArchive("A block of its report holds <{$name}>, which no block of ours does.");
        }
        foreach ($element->attributes as $attribute) {
            $of = strtolower($attribute->nodeName);
            if (self::doesHarm($of, $attribute->value)) {
                throw new BadArchive("A block of its report holds {$of} at <{$name}>, which no block of ours does.");
            }
        }
    }

    private static function doesHarm(string $attribute, string $value): bool
    {
        $isAddress = in_array($attribute, self::ADDRESSES, true);
        $leadsOut = $isAddress && preg_match('~^(#|/(?![/\\\\])|https?://)~i', trim($value)) !== 1;
        $says = (string) preg_replace('/\s+/', '', strtolower($value));

        return str_starts_with($attribute, 'on') || $leadsOut || str_contains($says, 'url(http');
    }
}
