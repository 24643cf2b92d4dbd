<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/**
 * Cuts text into the words that searches compare: lower case, without accents, letters and digits only.
 *
 * The same cutting makes the index, the query and the highlighting, so that all three agree.
 */
final class Words
{
    /** @return list<string> */
    public static function of(string $text): array
    {
        $letters = self::isPlain($text) ? '/[a-z0-9]+/' : '/[\p{L}\p{N}]+/u';

        return preg_match_all($letters, self::fold($text), $found) > 0 ? $found[0] : [];
    }

    /** @return list<PlacedWord> the words with their places in the unchanged text */
    public static function placed(string $text): array
    {
        $placed = [];
        if (preg_match_all('/[\p{L}\p{N}\p{Mn}]+/u', $text, $found, PREG_OFFSET_CAPTURE)) {
            foreach ($found[0] as [$word, $offset]) {
                foreach (self::of($word) as $folded) {
                    $placed[] = new PlacedWord($folded, $offset, $offset + strlen($word));
                }
            }
        }

        return $placed;
    }

    /** Lower case without accents or ligatures; other signs stay. */
    public static function fold(string $text): string
    {
        if (self::isPlain($text)) {
            return strtolower($text);
        }
        $text = mb_strtolower(mb_scrub($text, 'UTF-8'));
        $text = strtr($text, [
            'ß' => 'ss',
            'æ' => 'ae',
            'œ' => 'oe',
            'ø' => 'o',
            'đ' => 'd',
            'ł' => 'l',
            'ð' => 'd',
            'þ' => 'th',
            'ı' => 'i',
        ]);
        $decomposed = \Normalizer::normalize($text, \Normalizer::FORM_KD);

        return (string) preg_replace('/\p{Mn}+/u', '', is_string($decomposed) ? $decomposed : $text);
    }

    private static function isPlain(string $text): bool
    {
        return preg_match('/[^\x00-\x7F]/', $text) !== 1;
    }
}
