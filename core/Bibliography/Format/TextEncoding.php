<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** Turns the bytes of a text file into UTF-8, and undoes one common accident. */
final class TextEncoding
{
    private const PLAIN = ['UTF-8', 'UTF-16LE', 'UTF-16BE', 'ISO-8859-1'];

    /** The places of Windows-1252 that are not those of ISO 8859-1, by code point. */
    private const WINDOWS = [
        0x20AC => 0x80,
        0x201A => 0x82,
        0x0192 => 0x83,
        0x201E => 0x84,
        0x2026 => 0x85,
        0x2020 => 0x86,
        0x2021 => 0x87,
        0x02C6 => 0x88,
        0x2030 => 0x89,
        0x0160 => 0x8A,
        0x2039 => 0x8B,
        0x0152 => 0x8C,
        0x017D => 0x8E,
        0x2018 => 0x91,
        0x2019 => 0x92,
        0x201C => 0x93,
        0x201D => 0x94,
        0x2022 => 0x95,
        0x2013 => 0x96,
        0x2014 => 0x97,
        0x02DC => 0x98,
        0x2122 => 0x99,
        0x0161 => 0x9A,
        0x203A => 0x9B,
        0x0153 => 0x9C,
        0x017E => 0x9E,
        0x0178 => 0x9F,
    ];

    /** @return non-empty-list<string> what a person may say that a file is in */
    public static function known(): array
    {
        return [...self::PLAIN, ...LegacyEncoding::names()];
    }

    /**
     * UTF-16LE or UTF-16BE where the beginning shows it, by its mark or by where its zero bytes are; null for anything
     * else.
     */
    public static function wide(string $beginning): ?string
    {
        if (str_starts_with($beginning, "\xFF\xFE")) {
            return 'UTF-16LE';
        }
        if (str_starts_with($beginning, "\xFE\xFF")) {
            return 'UTF-16BE';
        }
        $sample = substr($beginning, 0, 2048);
        $half = intdiv(strlen($sample), 2);
        if ($half < 4) {
            return null;
        }
        $zeros = [0, 0];
        for ($i = 0; $i < 2 * $half; $i++) {
            $zeros[$i % 2] += $sample[$i] === "\0" ? 1 : 0;
        }

        return match (true) {
            $zeros[1] > 0.6 * $half && $zeros[0] < 0.1 * $half => 'UTF-16LE',
            $zeros[0] > 0.6 * $half && $zeros[1] < 0.1 * $half => 'UTF-16BE',
            default => null,
        };
    }

    /** The beginning of a file as UTF-8, to recognise what is in it. */
    public static function beginning(string $bytes): string
    {
        $wide = self::wide($bytes);
        $text =
            $wide === null
                ? $bytes
                : (string) mb_convert_encoding(substr($bytes, 0, strlen($bytes) & ~1), 'UTF-8', $wide);

        return (string) preg_replace('/^\xEF\xBB\xBF/', '', $text);
    }

    /**
     * One line in UTF-8. Bytes that are no UTF-8 are read as what the file seems to be in, else as Windows-1252, which
     * every byte sequence is.
     */
    public static function line(string $line, Reading $reading): string
    {
        if (preg_match('/[^\x01-\x0D\x0F-\x1A\x1C-\x7F]/', $line) !== 1) {
            return $line;
        }
        $read = str_contains($line, "\x0E") || str_contains($line, "\x1B") ? self::stateful($line, $reading) : null;
        if ($read !== null || preg_match('/[^\x01-\x7F]/', $line) !== 1) {
            return $read ?? $line;
        }
        $line = str_replace("\0", '', $line);
        $given = str_starts_with($reading->encoding ?? 'UTF-8', 'UTF-') ? null : $reading->encoding;
        if ($given !== null || preg_match('//u', $line) !== 1) {
            $reading->found = $given ?? self::legacy($line, $reading);

            return in_array($reading->found, self::PLAIN, true)
                ? mb_convert_encoding($line, 'UTF-8', $reading->found)
                : LegacyEncoding::decoded($line, $reading->found);
        }

        return self::unicode($line, $reading);
    }

    /** A line of an encoding that changes between its letters by signs of control; null where it is none. */
    private static function stateful(string $line, Reading $reading): ?string
    {
        if (preg_match('/\x0E[\x21-\x7E]+(?:\x0F|$)/', $line) === 1) {
            $reading->found = 'ISO-2022-KR';
            $head = "\x1B\$)C";

            return mb_convert_encoding(str_starts_with($line, $head) ? $line : $head.$line, 'UTF-8', 'ISO-2022-KR');
        }
        if (preg_match('/\x1B(?:\$[@B]|\$\([@BD]|\([BJI])/', $line) === 1) {
            // in its two-byte letters every ASCII sign may stand, brackets and quotes as well; each line begins and
            // ends in ASCII
            $reading->found = 'ISO-2022-JP';

            return mb_convert_encoding($line, 'UTF-8', 'ISO-2022-JP-MS');
        }

        return null;
    }

    private static function unicode(string $line, Reading $reading): string
    {
        if ($reading->found === 'US-ASCII') {
            $reading->found = 'UTF-8';
        }
        // of files that were put together
        $line = str_starts_with($line, "\xEF\xBB\xBF") ? substr($line, 3) : $line;
        $mended = self::mended($line);
        $reading->mended += $mended === $line ? 0 : 1;

        return $mended;
    }

    private static function legacy(string $line, Reading $reading): string
    {
        if ($reading->findsOut()) {
            $reading->legacy ??= LegacyEncoding::of($line);
        }

        return $reading->legacy ?? LegacyEncoding::USUAL;
    }

    /**
     * Undoes UTF-8 that was read as Windows-1252 and written as UTF-8 again, where that is certain: every letter
     * outside ASCII must be part of a sequence that was UTF-8, so that a line with one rightly written letter is left
     * as it is.
     */
    public static function mended(string $text): string
    {
        if (preg_match('/[\xC3][\x82-\xB4][\xC2\xC3\xC5\xC6\xCB\xE2]/', $text) !== 1) {
            return $text;
        }
        $bytes = '';
        foreach (mb_str_split($text, 1, 'UTF-8') as $letter) {
            $code = mb_ord($letter, 'UTF-8');
            $byte = self::WINDOWS[$code] ?? $code;
            if ($byte > 0xFF) {
                return $text;
            }
            $bytes .= chr($byte);
        }

        return preg_match('//u', $bytes) === 1 ? $bytes : $text;
    }
}
