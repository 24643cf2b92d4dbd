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
     * @return \Generator<int, Page>
     */
    public static function pages(iterable $lines): \Generator
    {
        $number = 0;
        $width = $height = 0.0;
        $words = [];
        foreach ($lines as $line) {
            $word = self::word($line);
            if ($word !== null) {
                $words[] = $word;
            } elseif (preg_match(self::PAGE, $line, $found) === 1) {
                $number++;
                [$width, $height] = [(float) $found[1], (float) $found[2]];
            } elseif (str_contains($line, '</page>')) {
                yield self::asShown(new Page($number, $width, $height, $words));
                $words = [];
            }
        }
    }

    private static function word(string $line): ?Word
    {
        if (! str_contains($line, '<word ') || preg_match(self::WORD, $line, $found) !== 1) {
            return null;
        }
        $text = ctype_alnum($found[5]) ? substr($found[5], 0, self::LONGEST) : self::text($found[5]);

        return $text === ''
            ? null
            : new Word($text, (float) $found[1], (float) $found[2], (float) $found[3], (float) $found[4]);
    }

    /** Boxes are told of the page as it is shown, its size is not: a page on its side has words beyond its edge. */
    private static function asShown(Page $page): Page
    {
        foreach ($page->words as $word) {
            if ($word->right > $page->width + 1 && $word->right <= $page->height + 1) {
                return new Page($page->number, $page->height, $page->width, $page->words);
            }
        }

        return $page;
    }

    private static function text(string $told): string
    {
        $text = mb_scrub(substr($told, 0, self::LONGEST * 4));
        if (str_contains($text, '&')) {
            $text = html_entity_decode($text, ENT_QUOTES | ENT_XML1, 'UTF-8');
        }
        if (! mb_check_encoding($text, 'ASCII')) {
            $text = (string) preg_replace('/[\x{AD}\x{200B}-\x{200F}\x{FEFF}]/u', '', $text);
            $composed = \Normalizer::normalize($text, \Normalizer::FORM_C);
            $text = self::spelt(is_string($composed) ? $composed : '');
        }

        return trim(mb_substr((string) preg_replace('/[\x00-\x1F\x7F]/', '', $text), 0, self::LONGEST));
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
