<?php

declare(strict_types=1);

namespace App\Files\In;

use WaryHeron\Core\Bibliography\Format\UnusableFile;
use ZipArchive;

/**
 * What is inside a compressed file, unpacked into a folder within bounds of size, so that no small file can fill the
 * disk.
 */
final class Unpacking
{
    public const LARGEST = 2_147_483_648;

    private const MOST_FILES = 200;

    /** Text packs about five times, spreadsheets twenty; what packs this much better was made to do harm. */
    private const LARGEST_RATIO = 250;

    private const HARMLESS = 33_554_432;

    private const CHUNK = 1_048_576;

    /**
     * @return list<UnpackedFile> the file itself where it is not compressed; else what was in it,
     *     in its order
     *
     * @throws UnusableFile If it is damaged, nested, encrypted or too large; nothing is left behind.
     */
    public static function of(string $path, string $name, string $folder): array
    {
        $stream = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
        $beginning = (string) fread($stream, 4);
        fclose($stream);
        if (str_starts_with($beginning, "\x1F\x8B")) {
            return [new UnpackedFile(self::gunzipped($path, $folder), preg_replace('/\.gz$/i', '', $name) ?: $name)];
        }

        return str_starts_with($beginning, "PK\x03\x04") && ! Workbook::is($path)
            ? self::unzipped($path, $folder)
            : [new UnpackedFile($path, $name)];
    }

    private static function gunzipped(string $path, string $folder): string
    {
        $from = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
        $target = (string) tempnam($folder, 'gz-');
        $to = fopen($target, 'wb') ?: throw new \RuntimeException("Cannot write {$target}.");
        try {
            self::inflate($from, $to, (int) filesize($path));
        } catch (UnusableFile $unusable) {
            unlink($target);
            throw $unusable;
        } finally {
            fclose($from);
            fclose($to);
        }

        return $target;
    }

    /**
     * @param  resource  $from
     * @param  resource  $to
     */
    private static function inflate($from, $to, int $packed): void
    {
        $inflate = inflate_init(ZLIB_ENCODING_GZIP) ?: throw new \RuntimeException('zlib does not start.');
        $written = 0;
        // small steps in, so that a step out is bounded
        while (($chunk = (string) fread($from, 8192)) !== '') {
            $text = @inflate_add($inflate, $chunk);
            if ($text === false) {
                throw new UnusableFile('The gzip file is damaged: it cannot be unpacked.');
            }
            $written += strlen($text);
            self::bound($written, $packed);
            fwrite($to, $text);
        }
        if (inflate_get_status($inflate) !== ZLIB_STREAM_END) {
            throw new UnusableFile('The gzip file is cut off: its end is missing. Send it again.');
        }
    }

    /** @return list<UnpackedFile> */
    private static function unzipped(string $path, string $folder): array
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new UnusableFile('The zip file is damaged or cut off: it cannot be opened.');
        }
        $parts = [];
        $written = 0;
        try {
            if ($zip->numFiles > 10 * self::MOST_FILES) {
                $entries = number_format($zip->numFiles);
                $most = self::MOST_FILES;
                throw new UnusableFile("The zip file holds {$entries} entries; at most {$most} files are unpacked.");
            }
            for ($i = 0; $i < $zip->numFiles; $i++) {
                $entry = $zip->statIndex($i) ?: [];
                $name = basename((string) ($entry['name'] ?? ''));
                if (self::isNoFile((string) ($entry['name'] ?? ''))) {
                    continue;
                }
                if (count($parts) === self::MOST_FILES) {
                    throw new UnusableFile('The zip file holds more than '.self::MOST_FILES.' files.');
                }
                $stream = self::stream($zip, $i, $entry, $name);
                $target = (string) tempnam($folder, 'zip-');
                $parts[] = new UnpackedFile($target, mb_scrub($name, 'UTF-8'));
                [$packed, $size] = [(int) filesize($path), (int) ($entry['size'] ?? 0)];
                $written = self::copied($stream, $target, $written, $packed, $size, $name);
            }
        } catch (UnusableFile $unusable) {
            array_map(unlink(...), array_column($parts, 'path'));
            throw $unusable;
        } finally {
            $zip->close();
        }
        if ($parts === []) {
            throw new UnusableFile('The zip file holds no files.');
        }

        return $parts;
    }

    private static function isNoFile(string $path): bool
    {
        return str_ends_with($path, '/') || str_starts_with(basename($path), '.') || str_contains($path, '__MACOSX');
    }

    /**
     * @param  array<string, mixed>  $entry
     * @return resource
     */
    private static function stream(ZipArchive $zip, int $at, array $entry, string $name)
    {
        $stream = ($entry['encryption_method'] ?? 0) !== 0 ? false : $zip->getStreamIndex($at);

        return $stream !== false ? $stream : throw new UnusableFile(
            "“{$name}” in the zip file cannot be unpacked: it is encrypted, or packed in a way that is not read.",
        );
    }

    /** @param  resource  $stream */
    private static function copied($stream, string $target, int $written, int $packed, int $declared, string $name): int
    {
        $to = fopen($target, 'wb') ?: throw new \RuntimeException("Cannot write {$target}.");
        $before = $written;
        while (($chunk = (string) fread($stream, self::CHUNK)) !== '') {
            $written += strlen($chunk);
            self::bound($written, $packed);
            fwrite($to, $chunk);
        }
        fclose($to);
        fclose($stream);
        if ($written - $before !== $declared) {
            throw new UnusableFile(
                "“{$name}” in the zip file is damaged: it says ".
                    number_format($declared).
                    ' bytes and has '.
                    number_format($written - $before).
                    '.',
            );
        }

        return $written;
    }

    /** @internal also what a workbook may unpack to */
    public static function bound(int $written, int $packed): void
    {
        if (
            $written > self::LARGEST ||
            ($written > self::HARMLESS && $written > self::LARGEST_RATIO * max(1, $packed))
        ) {
            throw new UnusableFile(
                'The file unpacks to more than '.
                    number_format(intdiv(min($written, self::LARGEST), 1_048_576)).
                    ' MB from '.
                    number_format(max(1, intdiv($packed, 1024))).
                    ' kB. It was refused; unpack it yourself if it is meant to be so large.',
            );
        }
    }
}
