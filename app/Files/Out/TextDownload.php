<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Support\Facades\Process;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;

/**
 * Small files made on the spot: text, CSV, and DOCX by way of pandoc, which is only given pages of ours with all text
 * escaped.
 */
final class TextDownload
{
    private const SECONDS = 60;

    /**
     * A gigabyte and a half, a minute of one core, what people wrote is in its input. Its sandbox cannot read the parts
     * that a DOCX is made of.
     */
    public const LIMITS = ['prlimit', '--as=1610612736', '--cpu=60', '--core=0'];

    public static function text(string $name, string $text): Response
    {
        return self::file($name, 'txt', 'text/plain; charset=utf-8', preg_replace('/\R/u', "\r\n", $text) ?? $text);
    }

    /** @param  list<list<string>>  $rows */
    public static function csv(string $name, array $rows): Response
    {
        return self::file(
            $name,
            'csv',
            'text/csv; charset=utf-8',
            CsvLine::BEGINNING.implode('', array_map(CsvLine::of(...), $rows)),
        );
    }

    public static function docx(string $name, string $html): Response
    {
        $made = Process::timeout(self::SECONDS)
            ->input($html)
            ->run([...self::LIMITS, 'pandoc', '--from=html', '--to=docx', '--output=-']);
        if ($made->failed()) {
            throw new \RuntimeException("pandoc failed: {$made->errorOutput()}");
        }

        return self::file(
            $name,
            'docx',
            'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
            $made->output(),
        );
    }

    /** A file that was made elsewhere. */
    public static function made(string $name, string $ending, string $content): Response
    {
        return self::file(
            $name,
            $ending,
            [
                'html' => 'text/html; charset=utf-8',
                'md' => 'text/markdown; charset=utf-8',
            ][$ending] ?? 'text/plain; charset=utf-8',
            $content,
        );
    }

    private static function file(string $name, string $ending, string $type, string $content): Response
    {
        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => 'attachment; filename="'.Str::slug(Str::limit($name, 80, '')).".{$ending}\"",
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
