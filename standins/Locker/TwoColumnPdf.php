<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

/** The same as PlainPdf, as many journals print: title, authors and abstract across, then two columns, with a running head. */
final class TwoColumnPdf
{
    private const SIZE = 8;

    private const TOP = 780;

    private const BOTTOM = 60;

    private const COLUMNS = [50, 308];

    private const CELLS = [0, 124, 178];

    private const SIZE_IN_TABLES = 6;

    /**
     * @param  list<array{int, string}>  $paragraphs  size in points and text
     * @param  int  $across  how many of them stand above the columns
     */
    public static function of(array $paragraphs, int $across, string $head): string
    {
        $y = self::TOP;
        $first = '';
        foreach (array_slice($paragraphs, 0, $across) as [$size, $text]) {
            foreach ([...PlainPdf::wrapped($text, (int) (1010 / $size)), ''] as $line) {
                $y -= $line === '' ? 6 : $size + 4;
                $first .= PlainPdf::line($line, $size, self::COLUMNS[0], $y, [0]);
            }
        }

        return PdfFile::ofPages(self::columns(array_slice($paragraphs, $across), $first, $y - 10, $head));
    }

    /**
     * @param  list<array{int, string}>  $paragraphs
     * @return list<string>
     */
    private static function columns(array $paragraphs, string $first, int $top, string $head): array
    {
        $pages = [$first];
        [$page, $column, $y] = [0, 0, $top];
        foreach ($paragraphs as $i => [$size, $text]) {
            $isRow = str_contains($text, "\t");
            $small = $isRow ? self::SIZE_IN_TABLES : min($size, self::SIZE + ($size > 10 ? 1 : 0));
            $isLastRow = $isRow && ! str_contains($paragraphs[$i + 1][1] ?? '', "\t");
            foreach ([...PlainPdf::wrapped($text, (int) (490 / $small)), ...($isRow && ! $isLastRow ? [] : [''])] as $line) {
                $y -= $line === '' ? 5 : $small + 3;
                if ($y < self::BOTTOM) {
                    $column = 1 - $column;
                    $page += $column === 0 ? 1 : 0;
                    $y = ($page === 0 ? $top : self::TOP) - $small - 3;
                    $pages[$page] ??= PlainPdf::line("{$head}   ".($page + 1), self::SIZE, self::COLUMNS[0], 800, [0]);
                }
                $pages[$page] .= PlainPdf::line($line, $small, self::COLUMNS[$column], $y, self::CELLS);
            }
        }

        return array_values($pages);
    }
}
