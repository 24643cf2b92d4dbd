<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** Finds where a paper says what is quoted from it. White space and the shapes of quotes, dashes and ligatures aside. */
final class QuotedPassage
{
    /** A quote may run over so many passages. */
    private const RUN = 4;

    /** Less could be anywhere. */
    private const SHORTEST = 12;

    /** @return ?Passage the one in which it begins; null where the paper does not say it */
    public static function in(Passages $paper, string $quote): ?Passage
    {
        $quote = self::plain($quote);
        if (mb_strlen($quote) < self::SHORTEST) {
            return null;
        }
        $texts = array_map(fn (Passage $one): string => self::plain($one->text), $paper->all);
        foreach ($texts as $i => $text) {
            if (str_contains($text, $quote)) {
                return $paper->all[$i];
            }
        }
        foreach ($texts as $i => $text) {
            $run = implode(' ', array_slice($texts, $i, self::RUN));
            $at = strpos($run, $quote);
            if ($at !== false && $at <= strlen($text)) {
                return $paper->all[$i];
            }
        }

        return null;
    }

    private static function plain(string $text): string
    {
        $text = strtr($text, [
            '“' => '"', '”' => '"', '‘' => "'", '’' => "'", '–' => '-', '—' => '-', '−' => '-', 'ﬁ' => 'fi', 'ﬂ' => 'fl', 'ﬀ' => 'ff',
        ]);

        return mb_strtolower(trim((string) preg_replace('/[\s\x{00AD}]+/u', ' ', $text)));
    }
}
