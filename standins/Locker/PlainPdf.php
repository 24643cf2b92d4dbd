<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

/** A PDF 1.4 of plain lines in Helvetica, written by hand: pages, a text layer, nothing more. */
final class PlainPdf
{
    private const LINES_A_PAGE = 46;

    private const WIDTH = 92;

    private const CELLS = [0, 230, 360, 450];

    /** @param  list<array{int, string}>  $paragraphs  size in points and text; tabs part the cells of a table's row */
    public static function of(array $paragraphs): string
    {
        $lines = [];
        foreach ($paragraphs as $i => [$size, $text]) {
            foreach (self::wrapped($text, (int) ((self::WIDTH * 11) / $size)) as $line) {
                $lines[] = [$size, $line];
            }
            if (! str_contains($text, "\t") || ! str_contains($paragraphs[$i + 1][1] ?? '', "\t")) {
                $lines[] = [$size, ''];
            }
        }
        $pages = [];
        foreach (array_chunk($lines, self::LINES_A_PAGE) as $page) {
            $y = 790;
            $content = '';
            foreach ($page as [$size, $line]) {
                $y -= $size + 5;
                $content .= self::line($line, $size, 56, $y, self::CELLS);
            }
            $pages[] = $content;
        }

        return PdfFile::ofPages($pages);
    }

    /** @return list<string> in the letters that the font has */
    public static function wrapped(string $text, int $width): array
    {
        $text = (string) iconv('UTF-8', 'Windows-1252//TRANSLIT//IGNORE', $text);

        return str_contains($text, "\t") ? [$text] : explode("\n", wordwrap($text, $width, "\n", true));
    }

    /** @param  list<int>  $cells  where each cell of a row begins, beside the line's own place */
    public static function line(string $line, int $size, int $x, int $y, array $cells): string
    {
        $content = '';
        foreach ($line === '' ? [] : explode("\t", $line) as $i => $cell) {
            $content .= 'BT /F1 '.$size.' Tf 1 0 0 1 '.($x + $cells[$i]).' '.$y.' Tm ('.addcslashes($cell, '()\\').") Tj ET\n";
        }

        return $content;
    }
}
