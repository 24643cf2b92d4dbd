<?php

declare(strict_types=1);

namespace App\Console;

use App\Files\In\ReferenceFile;
use App\Files\In\UnpackedFile;
use App\Files\In\Unpacking;
use App\Files\TemporaryFolder;
use Generator;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** A command that reads references from the files of its argument "file", in any format, packed or not. */
abstract class OfReferences extends PureCommand
{
    protected int $rejected = 0;

    /** @var array<string, true> keys that were given out */
    private array $taken = [];

    /**
     * All of them; those that cannot be read are told and counted.
     *
     * @return Generator<string, Reference> by their identifier, one that comes twice numbered
     *
     * @throws UnusableFile If one of the files cannot be used at all.
     */
    protected function references(): Generator
    {
        $folder = TemporaryFolder::make();
        try {
            foreach ((array) $this->argument('file') as $file) {
                yield from $this->ofFile((string) $file, $folder);
            }
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    /** @return Generator<string, Reference> */
    private function ofPart(string $file, UnpackedFile $part): Generator
    {
        $number = 0;
        $read = new ReferenceFile($part->path, ReferenceFile::formatOf($part->path));
        foreach ($read->records() as $one) {
            $number++;
            if ($one instanceof Reference) {
                yield $this->key($one->id === '' ? "{$part->name}#{$number}" : $one->id) => $one;
            } else {
                $this->rejected++;
                $this->say("{$file}:{$one->line}: {$one->message}");
            }
        }
    }

    /** @return Generator<string, Reference> */
    private function ofFile(string $file, string $folder): Generator
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw new UnusableFile("{$file} cannot be read.");
        }
        try {
            foreach (Unpacking::of($file, basename($file), $folder) as $part) {
                yield from $this->ofPart($file, $part);
            }
        } catch (UnusableFile $unusable) {
            throw new UnusableFile("{$file}: {$unusable->getMessage()}");
        }
    }

    private function key(string $wanted): string
    {
        for ($again = 2, $free = $wanted; isset($this->taken[$free]); $free = "{$wanted}#{$again}", $again++);
        $this->taken[$free] = true;

        return $free;
    }
}
