<?php

declare(strict_types=1);

namespace App\Files\Out;

use WaryHeron\Core\Archive\ArchivedFile;
use WaryHeron\Core\Archive\ArchiveManifest;
use ZipArchive;

/** An archive under way: files written piece by piece into a folder, each with its checksum, packed at the end. */
final class ArchiveWriter
{
    /** @var list<ArchivedFile> */
    private array $files = [];

    /** @var array<string, string> paths by their names */
    private array $paths = [];

    /** @param  string  $folder  its own, removed by whoever made it */
    public function __construct(private readonly string $folder)
    {
    }

    /**
     * @param  iterable<string>  $pieces
     * @param  bool  $isRows  whether each piece is a row
     */
    public function add(string $name, iterable $pieces, bool $isRows = false): void
    {
        $path = $this->folder.'/'.count($this->files);
        $file = fopen($path, 'wb') ?: throw new \RuntimeException("Cannot write {$path}.");
        $hash = hash_init('sha256');
        [$bytes, $rows] = [0, 0];
        foreach ($pieces as $piece) {
            if (fwrite($file, $piece) !== strlen($piece)) {
                throw new \RuntimeException('There is no room for the archive.');
            }
            hash_update($hash, $piece);
            $bytes += strlen($piece);
            $rows++;
        }
        fclose($file);
        $this->paths[$name] = $path;
        $this->files[] = new ArchivedFile($name, $bytes, hash_final($hash), $isRows ? $rows : null);
    }

    /** A file of the store, where it stands. */
    public function addStored(string $name, string $path): void
    {
        $this->paths[$name] = $path;
        $this->files[] = new ArchivedFile($name, (int) filesize($path), (string) hash_file('sha256', $path));
    }

    /** @return list<ArchivedFile> */
    public function files(): array
    {
        return $this->files;
    }

    /** Packs all, with its manifest first, if it has one. Whatever stood at the path is replaced when it is whole. */
    public function pack(string $path, ?ArchiveManifest $manifest = null): void
    {
        $zip = new ZipArchive();
        $begun = "{$this->folder}/archive.zip";
        if ($zip->open($begun, ZipArchive::CREATE | ZipArchive::EXCL) !== true) {
            throw new \RuntimeException("Cannot write {$begun}.");
        }
        if ($manifest !== null) {
            $zip->addFromString(ArchiveManifest::NAME, $manifest->encode());
        }
        foreach ($this->paths as $name => $from) {
            $zip->addFile($from, $name);
            // papers are packed already
            $zip->setCompressionName($name, str_starts_with($name, 'files/') ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE);
        }
        if (! $zip->close()) {
            throw new \RuntimeException('The archive could not be packed: '.$zip->getStatusString());
        }
        if (! rename($begun, $path)) {
            throw new \RuntimeException("Cannot write {$path}.");
        }
    }
}
