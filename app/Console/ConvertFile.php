<?php

declare(strict_types=1);

namespace App\Console;

use App\Files\In\ReferenceFile;
use App\Files\In\UnpackedFile;
use App\Files\In\Unpacking;
use App\Files\Out\Spreadsheet;
use App\Files\TemporaryFolder;
use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** Reads any format that is known and writes another, record by record. */
final class ConvertFile extends PureCommand
{
    protected $signature = 'heron:convert {file} {--to= : ris, nbib, bibtex, csl-json, mods, csv or xlsx} {--from= : guessed from the content if left out}';

    protected $description = 'Convert a file of references';

    private int $rejected = 0;

    protected function work(): int
    {
        $file = $this->text('file');
        $to = $this->text('to');
        if (! isset(Formats::TITLES[$to])) {
            return $this->unusable('Say what to write with --to='.implode('|', array_keys(Formats::TITLES)).'.');
        }
        if (! is_file($file) || ! is_readable($file)) {
            return $this->unusable("{$file} cannot be read.");
        }
        $folder = TemporaryFolder::make();
        try {
            $parts = Unpacking::of($file, basename($file), $folder);
            $files = array_map(
                fn (UnpackedFile $part): ReferenceFile => new ReferenceFile(
                    $part->path,
                    $this->text('from') === '' ? ReferenceFile::formatOf($part->path) : $this->text('from'),
                ),
                $parts,
            );
            $names = array_map(
                fn (UnpackedFile $part): string => count($parts) === 1 ? $file : "{$file}/{$part->name}",
                $parts,
            );
            $this->write($this->records($files, $names), $to, $folder);
        } catch (UnusableFile|\InvalidArgumentException $unusable) {
            return $this->unusable("{$file}: {$unusable->getMessage()}");
        } finally {
            TemporaryFolder::remove($folder);
        }

        return $this->rejected > 0 ? self::FAILURE : self::SUCCESS;
    }

    /** @param  iterable<Reference>  $records */
    private function write(iterable $records, string $to, string $folder): void
    {
        if ($to === 'xlsx') {
            $this->writeSpreadsheet($records, "{$folder}/written.xlsx");

            return;
        }
        $pieces = '';
        foreach (Formats::writers()[$to]->write($records) as $piece) {
            $pieces .= $piece;
            if (strlen($pieces) > 65536) {
                $this->output->write($pieces, false, OutputInterface::OUTPUT_RAW);
                $pieces = '';
            }
        }
        $this->output->write($pieces, false, OutputInterface::OUTPUT_RAW);
    }

    /** @param  iterable<Reference>  $records */
    private function writeSpreadsheet(iterable $records, string $path): void
    {
        Spreadsheet::write($path, $records);
        $stream = fopen($path, 'rb') ?: throw new \RuntimeException('The spreadsheet was not written.');
        for (; ($piece = (string) fread($stream, 65536)) !== '';) {
            $this->output->write($piece, false, OutputInterface::OUTPUT_RAW);
        }
    }

    /**
     * @param  list<ReferenceFile>  $files
     * @param  list<string>  $names
     * @return \Generator<int, Reference>
     */
    private function records(array $files, array $names): \Generator
    {
        $number = 0;
        foreach ($files as $at => $file) {
            foreach ($file->records() as $one) {
                if ($one instanceof Reference) {
                    yield $number++ => $one;
                } else {
                    $this->rejected++;
                    $this->say("{$names[$at]}:{$one->line}: {$one->message}");
                }
            }
            if ($file->reading->remarks() !== '') {
                $this->say("{$names[$at]}: {$file->reading->remarks()}");
            }
        }
    }
}
