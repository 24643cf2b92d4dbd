<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WaryHeron\Core\Bibliography\Format\Csv\CsvLine;

/** Rows as a CSV or XLSX file, made whole before the first byte is sent. */
final class TableDownload
{
    /** @param  iterable<list<string|int|float|\DateTimeImmutable|null>>  $rows */
    public static function make(string $name, string $format, iterable $rows): BinaryFileResponse
    {
        $path = tempnam(sys_get_temp_dir(), 'heron') ?: throw new \RuntimeException('There is no room for a file.');
        if ($format === 'xlsx') {
            Spreadsheet::rows($path, $rows);
        } else {
            $file = fopen($path, 'wb') ?: throw new \RuntimeException("Cannot write {$path}.");
            fwrite($file, CsvLine::BEGINNING);
            foreach ($rows as $row) {
                fwrite(
                    $file,
                    CsvLine::of(
                        array_map(
                            fn (string|int|float|\DateTimeImmutable|null $cell): string|int|float|null => $cell instanceof \DateTimeImmutable
                                ? $cell->format('Y-m-d')
                                : $cell,
                            $row,
                        ),
                    ),
                );
            }
            fclose($file);
        }
        $type = $format === 'xlsx' ? Spreadsheet::MEDIA_TYPE : 'text/csv; charset=utf-8';

        return (new BinaryFileResponse($path, 200, ['Content-Type' => $type, 'X-Content-Type-Options' => 'nosniff']))
            ->setContentDisposition('attachment', Str::slug(Str::limit($name, 80, '')).".{$format}")
            ->deleteFileAfterSend();
    }
}
