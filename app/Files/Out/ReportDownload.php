<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Support\Facades\Process;

/** A report's one file in other forms. What it holds was written by us from what was checked. */
final class ReportDownload
{
    private const SECONDS = 90;

    /** Two gigabytes and ninety seconds of one core. */
    private const LIMITS = ['prlimit', '--as=2147483648', '--cpu=90', '--core=0'];

    public static function pdf(string $html): string
    {
        return self::run(['/usr/bin/python3', resource_path('files/pdf.py')], $html);
    }

    /** @param  'docx'|'gfm'  $to */
    public static function document(string $html, string $to): string
    {
        return self::run(
            ['pandoc', '--from=html', "--to={$to}", '--lua-filter='.resource_path('files/notes.lua'), '--wrap=none', '--output=-'],
            $html,
        );
    }

    /** @param  list<string>  $command */
    private static function run(array $command, string $html): string
    {
        $made = Process::timeout(self::SECONDS)->input($html)->run([...self::LIMITS, ...$command]);
        if ($made->failed()) {
            throw new \RuntimeException("{$command[0]} failed: ".mb_substr($made->errorOutput(), 0, 1000));
        }

        return $made->output();
    }
}
