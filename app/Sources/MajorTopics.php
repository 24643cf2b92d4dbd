<?php

declare(strict_types=1);

namespace App\Sources;

use DOMDocument;
use DOMElement;
use WaryHeron\Core\Bibliography\Reference;

/** The headings that a record is mainly about, where its MODS marks them. */
final class MajorTopics
{
    /** @return list<string> */
    public static function of(Reference $record): array
    {
        $document = new DOMDocument();
        if (
            ! str_starts_with($record->source, '<') ||
            str_contains($record->source, '<!') ||
            ! @$document->loadXML($record->source, LIBXML_NONET | LIBXML_NOERROR)
        ) {
            return [];
        }
        $labels = [];
        foreach ($document->getElementsByTagNameNS('*', 'subject') as $subject) {
            $topic = $subject->getElementsByTagNameNS('*', 'topic')->item(0);
            if ($subject->getAttribute('usage') === 'primary' && $topic instanceof DOMElement) {
                $labels[] = trim($topic->textContent);
            }
        }

        return $labels;
    }
}
