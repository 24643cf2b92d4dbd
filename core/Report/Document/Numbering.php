<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** Figures and tables of a document, numbered in the order of reading, each kind by itself. */
final class Numbering
{
    private const FIGURES = ['flow', 'forest', 'funnel', 'map'];

    private const TABLES = ['studies', 'soundness', 'certainty', 'table'];

    /** @return array<string, string> "Figure 2" by the id of a live block; what is neither is missing */
    public static function of(Node $document): array
    {
        $numbers = [];
        $counts = ['Figure' => 0, 'Table' => 0];
        foreach ($document->all() as $node) {
            $kind = $node->type === Node::LIVE_BLOCK ? self::kind($node->said('kind')) : '';
            if ($kind !== '') {
                $numbers[$node->said('id')] = "{$kind} ".++$counts[$kind];
            }
        }

        return $numbers;
    }

    /** @return 'Figure'|'Table'|'' */
    private static function kind(string $of): string
    {
        return match (true) {
            in_array($of, self::FIGURES, true) => 'Figure',
            in_array($of, self::TABLES, true) => 'Table',
            default => '',
        };
    }
}
