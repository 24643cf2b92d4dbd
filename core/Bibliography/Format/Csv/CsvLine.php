<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Csv;

/** One line of CSV (RFC 4180) that is safe to open in a spreadsheet. */
final class CsvLine
{
    /** So that spreadsheets read the file as UTF-8. */
    public const BEGINNING = "\xEF\xBB\xBF";

    /** @param  iterable<string|int|float|null>  $cells */
    public static function of(iterable $cells): string
    {
        $line = [];
        foreach ($cells as $cell) {
            $text = is_string($cell) ? self::defused($cell) : (string) $cell;
            $line[] = strpbrk($text, "\",;\r\n\t") === false ? $text : '"'.str_replace('"', '""', $text).'"';
        }

        return implode(',', $line)."\r\n";
    }

    /** Text that a spreadsheet would run as a formula gets an apostrophe in front; a plain number does not. */
    public static function defused(string $text): string
    {
        $isFormula = preg_match('/^\s*[=+\-@＝＋－＠]|^[\t\r\n]/u', $text) === 1;

        return $isFormula && preg_match('/^[+-]?\d+(?:\.\d+)?$/', $text) !== 1 ? "'{$text}" : $text;
    }
}
