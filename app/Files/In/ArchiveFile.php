<?php

declare(strict_types=1);

namespace App\Files\In;

use WaryHeron\Core\Archive\ArchivedFile;
use WaryHeron\Core\Archive\ArchiveManifest;
use WaryHeron\Core\Archive\BadArchive;
use ZipArchive;

/** An archive that was brought, opened only where everything in it is as its manifest says. */
final class ArchiveFile
{
    private const LARGEST_MANIFEST = 4_194_304;

    private const MOST_FILES = 20_000;

    /** Of one row; the update of a report or the text of a paper may be long. */
    private const LONGEST_LINE = 67_108_864;

    /** Rows pack well, but not so well. */
    private const LARGEST_RATIO = 400;

    private const HARMLESS = 67_108_864;

    private const CHUNK = 1_048_576;

    private function __construct(private readonly ZipArchive $zip, public readonly ArchiveManifest $manifest)
    {
    }

    /**
     * Reads every byte of it once, keeping none.
     *
     * @throws BadArchive If anything is missing, more, damaged or changed.
     */
    public static function open(string $path): self
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new BadArchive('It is no zip file, or its end is missing. Copy it again from where it was written.');
        }
        $file = new self($zip, self::manifestIn($zip));
        $file->check((int) filesize($path));

        return $file;
    }

    private static function manifestIn(ZipArchive $zip): ArchiveManifest
    {
        $stream = $zip->getStream(ArchiveManifest::NAME);
        if ($stream === false) {
            throw new BadArchive('It is a zip file, but no archive of a review: it has no manifest.');
        }
        $json = (string) stream_get_contents($stream, self::LARGEST_MANIFEST + 1);
        if (strlen($json) > self::LARGEST_MANIFEST) {
            throw new BadArchive('Its manifest is larger than any of ours.');
        }

        return ArchiveManifest::decode($json);
    }

    /**
     * @return \Generator<int, string> rows by their number from 1, without line ends
     *
     * @throws BadArchive If one is longer than any of ours.
     */
    public function lines(string $name): \Generator
    {
        $stream = $this->stream($name);
        for ($n = 1; ($line = stream_get_line($stream, self::LONGEST_LINE, "\n")) !== false; $n++) {
            if (strlen($line) >= self::LONGEST_LINE) {
                throw new BadArchive("Line {$n} of “{$name}” is longer than any of ours.");
            }
            yield $n => $line;
        }
        fclose($stream);
    }

    /** Writes one of its files to a path. */
    public function extract(string $name, string $path): void
    {
        $from = $this->stream($name);
        if (file_put_contents($path, $from) === false) {
            throw new \RuntimeException("Cannot write {$path}.");
        }
        fclose($from);
    }

    private function check(int $packed): void
    {
        if ($this->zip->numFiles > self::MOST_FILES) {
            throw new BadArchive('It holds more files than any archive of ours.');
        }
        $all = array_sum(array_map(fn (ArchivedFile $one): int => $one->bytes, $this->manifest->files));
        if ($all > self::HARMLESS && $all > self::LARGEST_RATIO * max(1, $packed)) {
            throw new BadArchive('It would unpack to far more than any archive of ours of its size. It was made to do harm.');
        }
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $name = (string) $this->zip->getNameIndex($i);
            if ($name !== ArchiveManifest::NAME && $this->manifest->file($name) === null) {
                throw new BadArchive('It holds “'.mb_substr(mb_scrub($name), 0, 100).'”, which its manifest does not name.');
            }
        }
        foreach ($this->manifest->files as $one) {
            $this->checkFile($one);
        }
    }

    private function checkFile(ArchivedFile $file): void
    {
        $stream = $this->stream($file->name);
        $hash = hash_init('sha256');
        [$bytes, $rows] = [0, 0];
        while (($chunk = (string) fread($stream, self::CHUNK)) !== '') {
            hash_update($hash, $chunk);
            $bytes += strlen($chunk);
            $rows += $file->rows === null ? 0 : substr_count($chunk, "\n");
            if ($bytes > $file->bytes) {
                break;
            }
        }
        fclose($stream);
        if ($bytes !== $file->bytes || hash_final($hash) !== $file->sha256 || ($file->rows ?? $rows) !== $rows) {
            throw new BadArchive("“{$file->name}” is damaged or was changed: it is not what the manifest says.");
        }
    }

    /** @return resource */
    private function stream(string $name)
    {
        return $this->zip->getStream($name) ?: throw new BadArchive("“{$name}” is missing, or cannot be unpacked.");
    }
}
