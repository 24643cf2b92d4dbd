<?php

declare(strict_types=1);

namespace App\Files\Out;

use Symfony\Component\Process\Process;

/** Makes a picture or a page of an SVG of our own, by librsvg. */
final class SvgPicture
{
    private const SECONDS = 20;

    public static function of(string $svg, string $format): string
    {
        $process = new Process(
            ['rsvg-convert', '--format', $format, ...$format === 'png' ? ['--zoom', '2'] : []],
            input: $svg,
            timeout: self::SECONDS,
        );

        return $process->mustRun()->getOutput();
    }
}
