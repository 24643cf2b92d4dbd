<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Http\Response;
use Symfony\Component\Process\Process;

/** Makes a picture or a page of an SVG of our own, by librsvg. */
final class SvgPicture
{
    public const TYPES = ['svg' => 'image/svg+xml', 'png' => 'image/png', 'pdf' => 'application/pdf'];

    private const SECONDS = 20;

    /** @param  string  $format  of TYPES */
    public static function download(string $svg, string $name, string $format): Response
    {
        return response($format === 'svg' ? $svg : self::of($svg, $format), 200, [
            'Content-Type' => self::TYPES[$format],
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

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
