<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

/** A PDF 1.4 of plain lines in Helvetica, written by hand: pages, a text layer, nothing more. */
final class PlainPdf
{
    private const LINES_A_PAGE = 46;

    private const WIDTH = 92;

    /** @param  list<array{int, string}>  $paragraphs  size in points and text */
    public static function of(array $paragraphs): string
    {
        $lines = [];
        foreach ($paragraphs as [$size, $text]) {
            $text = (string) iconv('UTF-8', 'Windows-1252//TRANSLIT//IGNORE', $text);
            foreach (explode("\n", wordwrap($text, (int) ((self::WIDTH * 11) / $size), "\n", true)) as $line) {
                $lines[] = [$size, addcslashes($line, '()\\')];
            }
            $lines[] = [$size, ''];
        }
        $pages = array_chunk($lines, self::LINES_A_PAGE);
        $objects = [
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            3 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
        ];
        $kids = [];
        foreach ($pages as $i => $page) {
            [$at, $content] = [4 + 2 * $i, "BT 56 790 Td\n"];
            foreach ($page as [$size, $line]) {
                $content .= "/F1 {$size} Tf 0 -".($size + 5)." Td ({$line}) Tj\n";
            }
            $content .= 'ET';
            $kids[] = "{$at} 0 R";
            $objects[$at] =
                '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents '.
                ($at + 1).
                ' 0 R >>';
            $objects[$at + 1] = '<< /Length '.strlen($content)." >>\nstream\n{$content}\nendstream";
        }
        $objects[2] = '<< /Type /Pages /Kids ['.implode(' ', $kids).'] /Count '.count($pages).' >>';
        ksort($objects);

        return PdfFile::of($objects);
    }
}
