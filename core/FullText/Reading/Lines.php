<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Puts the words of a page into lines, keeping the order in which the file has them. */
final class Lines
{
    /** @return list<Line> */
    public static function of(Page $page): array
    {
        $lines = [];
        $words = [];
        foreach ($page->words as $word) {
            if ($words !== [] && ! self::goesOn($words, $word)) {
                $lines[] = new Line($page->number, $words);
                $words = [];
            }
            $words[] = $word;
        }
        if ($words !== []) {
            $lines[] = new Line($page->number, $words);
        }

        return $lines;
    }

    /**
     * Whether a word stands on the line of those before it: at their height and not before their end.
     *
     * @param  non-empty-list<Word>  $words
     */
    private static function goesOn(array $words, Word $word): bool
    {
        $last = $words[count($words) - 1];
        $height = max(1.0, min($last->height(), $word->height()));
        $shared = min($last->bottom, $word->bottom) - max($last->top, $word->top);

        return $shared > 0.4 * $height &&
            $word->left > $last->left - 0.3 * $height &&
            $word->left > $last->right - $height;
    }
}
