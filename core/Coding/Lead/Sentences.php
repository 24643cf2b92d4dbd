<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** Parts a paragraph into sentences. */
final class Sentences
{
    /** What ends with a full stop and ends no sentence. */
    private const ABBREVIATED = '/(?:\b(?:e\.g|i\.e|etc|vs|cf|al|Fig|Figs|Tab|No|Nos|Dr|Prof|Mr|Mrs|Ms|St|approx|ca|resp|ref|refs|Eq|vol|pp|ed|eds|Inc|Ltd|Co|Dept|Univ|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)|\b\p{Lu})\.$/u';

    /** @return list<string> */
    public static function of(string $text): array
    {
        $pieces = preg_split(
            '/(?<=[.!?])(?=\s+["“‘(\[]?[\p{Lu}\d])|(?<=[.!?]["”’)\]])(?=\s+["“‘(\[]?\p{Lu})/u',
            $text,
        ) ?: [$text];
        $sentences = [];
        $open = '';
        foreach ($pieces as $piece) {
            $open .= $piece;
            $bare = trim($open);
            if ($bare !== '' && preg_match(self::ABBREVIATED, $bare) !== 1) {
                $sentences[] = $bare;
                $open = '';
            }
        }

        return trim($open) === '' ? $sentences : [...$sentences, trim($open)];
    }
}
