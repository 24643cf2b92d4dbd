<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Reads the boxes of words that poppler tells of a PDF (pdftotext -raw -bbox -cropbox), line by line. */
final class WordBoxes
{
    private const PAGE = '/<page width="([\d.]+)" height="([\d.]+)"/';

    private const WORD = '~<word xMin="(-?[\d.]+)" yMin="(-?[\d.]+)" xMax="(-?[\d.]+)" yMax="(-?[\d.]+)">(.*)</word>~';

    /** Words of more are no words but a file that was made to be large. */
    private const LONGEST = 400;

    /**
     * @param  iterable<string>  $lines  of its output
     * @param  array<int, int>  $turned  by page, how far it is turned, in degrees: boxes are told of the page as shown,
     *     its size is not
     * @return \Generator<int, Page>
     */
    public static function pages(iterable $lines, array $turned = []): \Generator
    {
        $number = 0;
        $width = $height = 0.0;
        $words = [];
        foreach ($lines as $line) {
            if (preg_match(self::WORD, $line, $found) === 1) {
                $text = self::text($found[5]);
                if ($text !== '') {
                    [, $left, $top, $right, $bottom] = array_map(floatval(...), $found);
                    $words[] = new Word($text, $left, $top, $right, $bottom);
                }
            } elseif (preg_match(self::PAGE, $line, $found) === 1) {
                $number++;
                [$width, $height] = [(float) $found[1], (float) $found[2]];
                if (($turned[$number] ?? 0) % 180 !== 0) {
                    [$width, $height] = [$height, $width];
                }
            } elseif (str_contains($line, '</page>')) {
                yield new Page($number, $width, $height, $words);
                $words = [];
            }
        }
    }

    private static function text(string $told): string
    {
        $text = html_entity_decode(mb_scrub(substr($told, 0, self::LONGEST * 4)), ENT_QUOTES | ENT_XML1, 'UTF-8');
        $text = (string) preg_replace('/[\x{00}-\x{1F}\x{7F}\x{AD}\x{200B}-\x{200F}\x{FEFF}]/u', '', $text);
        $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);

        return trim(self::spelt(is_string($composed) ? mb_substr($composed, 0, self::LONGEST) : ''));
    }

    /** Ligatures as letters; other signs keep their form, for they may be superscripts. */
    private static function spelt(string $text): string
    {
        return strtr($text, [
            'ﬀ' => 'ff',
            'ﬁ' => 'fi',
            'ﬂ' => 'fl',
            'ﬃ' => 'ffi',
            'ﬄ' => 'ffl',
            'ﬅ' => 'st',
            'ﬆ' => 'st',
        ]);
    }
}
