<?php

declare(strict_types=1);

namespace App\Files\In;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** Reads the words in the picture of a page, with Debian's ocrmypdf and tesseract, under limits. */
final class PagePictures
{
    private const SECONDS = 40;

    /** One page that takes longer is left without words. */
    private const PAGE_SECONDS = 30;

    private const MEMORY = 1536 * 1024 ** 2;

    private const BYTES = 400 * 1024 ** 2;

    /**
     * Makes a copy in which this page has its words beneath its picture; a page that has text is left as it is.
     *
     * @return bool whether it was made
     */
    public static function read(string $from, string $into, int $page): bool
    {
        $process = new Process(
            self::command($from, $into, $page),
            env: ['LC_ALL' => 'C.UTF-8', 'OMP_THREAD_LIMIT' => '1'],
            timeout: self::SECONDS + 5,
        );
        try {
            $process->run();
        } catch (ProcessTimedOutException) {
            return false;
        }

        return $process->isSuccessful() && is_file($into) && filesize($into) > 0;
    }

    /** @return list<string> */
    private static function command(string $from, string $into, int $page): array
    {
        $limits = ['--as='.self::MEMORY, '--cpu='.self::SECONDS, '--fsize='.self::BYTES, '--core=0'];

        return [
            'prlimit', ...$limits, 'ocrmypdf', '--pages', (string) $page, '--skip-text', '--jobs', '1', '--output-type', 'pdf',
            '--optimize', '0', '-l', (string) config('heron.picture_languages'), '--tesseract-timeout',
            (string) self::PAGE_SECONDS, '-q', $from, $into,
        ];
    }
}
