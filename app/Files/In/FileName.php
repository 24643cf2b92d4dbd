<?php

declare(strict_types=1);

namespace App\Files\In;

/** What somebody's file is called, made fit to be shown and kept: no path, no control characters, valid text. */
final class FileName
{
    private const MOST = 150;

    public static function of(string $given, string $unnamed = 'unnamed file'): string
    {
        $name = trim(
            (string) preg_replace('/[\p{C}]+/u', '', basename(str_replace('\\', '/', mb_scrub($given, 'UTF-8')))),
        );

        return $name === '' ? $unnamed : mb_substr($name, 0, self::MOST);
    }
}
