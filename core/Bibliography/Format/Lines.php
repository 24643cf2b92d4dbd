<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/**
 * The lines of a text file one at a time, in UTF-8, whatever its encoding and line ends; a line beyond the limit comes
 * in pieces with one number.
 */
final class Lines
{
    public const LONGEST = 1_048_576;

    private const CHUNK = 65536;

    /**
     * @param  resource  $stream
     * @return \Generator<int, string> by line number from 1; the pieces of a very long line have the same
     */
    public static function of($stream, Reading $reading = new Reading()): \Generator
    {
        $buffer = '';
        $number = 0;
        foreach (self::chunks($stream, $reading) as $chunk) {
            $buffer .= $chunk;
            // a CR at the very end may be the first half of a CRLF
            $complete = strlen(rtrim($buffer, "\r"));
            $offset = 0;
            while (($length = strcspn($buffer, "\r\n", $offset)) < $complete - $offset) {
                yield ++$number => TextEncoding::line(substr($buffer, $offset, $length), $reading);
                $offset += $length + (substr_compare($buffer, "\r\n", $offset + $length, 2) === 0 ? 2 : 1);
            }
            $buffer = substr($buffer, $offset);
            if (strlen($buffer) > self::LONGEST) {
                $cut = self::cut($buffer);
                yield $number + 1 => TextEncoding::line(substr($buffer, 0, $cut), $reading);
                $buffer = substr($buffer, $cut);
            }
        }
        foreach ($buffer === '' ? [] : explode("\r", rtrim($buffer, "\r")) as $line) {
            yield ++$number => TextEncoding::line($line, $reading);
        }
    }

    /**
     * Where a long line may be cut: behind a blank, else behind a plain letter, so that no sign of several bytes or
     * escape is parted.
     */
    private static function cut(string $line): int
    {
        $blank = strrpos($line, ' ', -min(strlen($line), self::CHUNK));
        if ($blank === false) {
            return preg_match('/^.*[A-Za-z0-9,;]/s', substr($line, -1024), $plain) === 1
                ? max(1, strlen($line) - min(1024, strlen($line)) + strlen($plain[0]))
                : strlen($line);
        }

        return $blank + 1;
    }

    /**
     * @param  resource  $stream
     * @return \Generator<int, string>
     */
    private static function chunks($stream, Reading $reading): \Generator
    {
        $chunk = (string) fread($stream, self::CHUNK);
        $told = str_starts_with($reading->encoding ?? '', 'UTF-16') ? $reading->encoding : null;
        $wide = $reading->encoding === null ? TextEncoding::wide($chunk) : $told;
        if ($wide !== null) {
            $reading->found = $wide;
            yield from self::ofPairs($stream, $chunk, $wide);

            return;
        }
        $chunk = str_starts_with($chunk, "\xEF\xBB\xBF") ? substr($chunk, 3) : $chunk;
        if ($reading->findsOut() && preg_match('//u', $chunk) !== 1) {
            $reading->legacy = LegacyEncoding::of($chunk);
        }
        for (; $chunk !== ''; $chunk = (string) fread($stream, self::CHUNK)) {
            yield $chunk;
        }
    }

    /**
     * What is written by two bytes a letter.
     *
     * @param  resource  $stream
     * @return \Generator<int, string>
     */
    private static function ofPairs($stream, string $chunk, string $encoding): \Generator
    {
        for ($left = '', $first = true; $chunk !== ''; $chunk = (string) fread($stream, self::CHUNK), $first = false) {
            $left .= $chunk;
            $length = strlen($left) & ~1;
            // the first half of a surrogate pair waits for the second
            $high = $length < 2 ? 0 : ord($left[$encoding === 'UTF-16LE' ? $length - 1 : $length - 2]);
            $length -= $high >= 0xD8 && $high <= 0xDB ? 2 : 0;
            $text = (string) mb_convert_encoding(substr($left, 0, $length), 'UTF-8', $encoding);
            $left = substr($left, $length);
            yield $first && str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        }
    }
}
