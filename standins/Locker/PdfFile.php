<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

/** Objects as a PDF 1.4 with its table of references; the first is the catalogue. */
final class PdfFile
{
    /** @param  array<int, string>  $objects  by number, from 1 without a gap */
    public static function of(array $objects): string
    {
        $pdf = "%PDF-1.4\n%\xE2\xE3\xCF\xD3\n";
        $table = '';
        foreach ($objects as $number => $object) {
            $table .= sprintf("%010d 00000 n \n", strlen($pdf));
            $pdf .= "{$number} 0 obj\n{$object}\nendobj\n";
        }
        $start = strlen($pdf);
        $count = count($objects) + 1;

        return "{$pdf}xref\n0 {$count}\n0000000000 65535 f \n{$table}trailer\n<< /Size {$count} /Root 1 0 R >>\nstartxref\n{$start}\n%%EOF\n";
    }

    /**
     * Pages of A4 with one font, by what is drawn on each.
     *
     * @param  list<string>  $contents
     */
    public static function ofPages(array $contents): string
    {
        $objects = [
            1 => '<< /Type /Catalog /Pages 2 0 R >>',
            3 => '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
        ];
        $kids = [];
        foreach ($contents as $i => $content) {
            $at = 4 + 2 * $i;
            $kids[] = "{$at} 0 R";
            $objects[$at] =
                '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents '.
                ($at + 1).
                ' 0 R >>';
            $objects[$at + 1] = '<< /Length '.strlen($content)." >>\nstream\n{$content}\nendstream";
        }
        $objects[2] = '<< /Type /Pages /Kids ['.implode(' ', $kids).'] /Count '.count($contents).' >>';
        ksort($objects);

        return self::of($objects);
    }
}
