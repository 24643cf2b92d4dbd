<?php

declare(strict_types=1);

namespace App\Files\Out;

use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Reference;
use ZipArchive;

/** References as a file in any format, made whole before the first byte is sent, so that no half of one arrives. */
final class RecordDownload
{
    /**
     * @param  iterable<Reference>  $references
     * @param  list<list<string>>  $about  rows of a name and a text; in a spreadsheet a second sheet, else a text
     *     beside the file in a zip
     */
    public static function make(string $name, string $format, iterable $references, array $about): BinaryFileResponse
    {
        $path = tempnam(sys_get_temp_dir(), 'heron') ?: throw new \RuntimeException('There is no room for a file.');
        try {
            if ($format === 'xlsx') {
                Spreadsheet::write($path, $references, $about);

                return self::response($path, "{$name}.xlsx", Spreadsheet::MEDIA_TYPE);
            }
            $writer = Formats::writers()[$format];
            self::write($path, $writer->write($references));
            $file = "{$name}.{$writer->extension()}";

            return $about === []
                ? self::response($path, $file, $writer->mediaType())
                : self::response(self::zipped($path, $file, $about), "{$name}.zip", 'application/zip');
        } catch (\Throwable $failure) {
            @unlink($path);
            throw $failure;
        }
    }

    /** @param  iterable<string>  $pieces */
    private static function write(string $path, iterable $pieces): void
    {
        $file = fopen($path, 'wb') ?: throw new \RuntimeException("Cannot write {$path}.");
        foreach ($pieces as $piece) {
            fwrite($file, $piece);
        }
        fclose($file);
    }

    /**
     * @param  list<list<string>>  $about
     * @return string the path of the zip, in the place of the file's
     */
    private static function zipped(string $path, string $name, array $about): string
    {
        $zip = new ZipArchive();
        $zip->open("{$path}.zip", ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $zip->addFile($path, $name);
        $rows = array_map(fn (array $row): string => implode('  ', $row)."\r\n", $about);
        $zip->addFromString('strategy.txt', implode('', $rows));
        $zip->close();
        unlink($path);

        return "{$path}.zip";
    }

    private static function response(string $path, string $name, string $type): BinaryFileResponse
    {
        return (new BinaryFileResponse($path, 200, ['Content-Type' => $type, 'X-Content-Type-Options' => 'nosniff']))
            ->setContentDisposition('attachment', $name)
            ->deleteFileAfterSend();
    }
}
