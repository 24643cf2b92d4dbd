<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** The lines of a text file one at a time, in UTF-8, whatever its line ends; a line beyond the limit comes in pieces. */
final class Lines
{
    public const LONGEST = 1_048_576;

    private const CHUNK = 65536;

    /**
     * @param  resource  $stream
     * @return \Generator<int, string> by line number from 1
     */
    public static function of($stream): \Generator
    {
        $buffer = '';
        $number = 0;
        $first = true;
        while (true) {
            $chunk = fread($stream, self::CHUNK);
            $ended = $chunk === false || $chunk === '';
            $buffer .= (string) $chunk;
            if ($first) {
                $buffer = str_starts_with($buffer, "\xEF\xBB\xBF") ? substr($buffer, 3) : $buffer;
                $first = false;
            }
            // a CR at the very end may be the first half of a CRLF
            $complete = $ended ? strlen($buffer) : strlen(rtrim($buffer, "\r"));
            $offset = 0;
            while (($length = strcspn($buffer, "\r\n", $offset)) < $complete - $offset) {
                yield ++$number => self::utf8(substr($buffer, $offset, $length));
                $offset += $length + (substr($buffer, $offset + $length, 2) === "\r\n" ? 2 : 1);
            }
            $buffer = substr($buffer, $offset);
            if (strlen($buffer) > self::LONGEST) {
                yield ++$number => self::utf8($buffer);
                $buffer = '';
            }
            if ($ended) {
                break;
            }
        }
        if ($buffer !== '') {
            yield ++$number => self::utf8($buffer);
        }
    }

    /** Text that is no UTF-8 is read as Windows-1252, which every byte sequence is. */
    private static function utf8(string $line): string
    {
        if (preg_match('//u', $line) === 1) {
            return str_contains($line, "\0") ? str_replace("\0", '', $line) : $line;
        }

        return str_replace("\0", '', mb_convert_encoding($line, 'UTF-8', 'Windows-1252'));
    }
}
