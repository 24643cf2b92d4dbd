<?php

declare(strict_types=1);

namespace WaryHeron\Core\Archive;

/** Evidence in the form of the Web Annotation Data Model (W3C Recommendation, 23 February 2017). */
final class WebAnnotation
{
    public const CONTEXT = 'http://www.w3.org/ns/anno.jsonld';

    /** Pages of a PDF as fragments name them. */
    private const PDF_FRAGMENTS = 'http://tools.ietf.org/rfc/rfc3778';

    /**
     * @param  string  $id  of what was said
     * @param  string  $says  in words
     * @param  string  $about  id of the publication
     * @param  array<string, mixed>  $piece  of evidence: quote, what stands before and after it, page from 1, or 0
     */
    public static function of(string $id, string $says, string $about, array $piece, string $when): object
    {
        $text = fn (string $key): string => is_string($piece[$key] ?? null) ? $piece[$key] : '';
        $selectors = [array_filter([
            'type' => 'TextQuoteSelector',
            'exact' => $text('quote'),
            'prefix' => $text('prefix'),
            'suffix' => $text('suffix'),
        ], fn (string $value): bool => $value !== '')];
        $page = is_int($piece['page'] ?? null) ? $piece['page'] : 0;
        if ($page > 0) {
            $selectors[] = ['type' => 'FragmentSelector', 'conformsTo' => self::PDF_FRAGMENTS, 'value' => "page={$page}"];
        }

        return (object) [
            'id' => "urn:heron:{$id}",
            'type' => 'Annotation',
            'created' => $when,
            'motivation' => 'describing',
            'body' => ['type' => 'TextualBody', 'value' => $says, 'format' => 'text/plain'],
            'target' => ['source' => "urn:heron:publication:{$about}", 'selector' => $selectors],
        ];
    }
}
