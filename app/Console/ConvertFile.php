<?php

declare(strict_types=1);

namespace App\Console;

use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** Reads any format that is known and writes another, record by record. */
final class ConvertFile extends PureCommand
{
    protected $signature = 'heron:convert {file} {--to= : ris, csv or csl-json} {--from= : guessed from the content if left out}';

    protected $description = 'Convert a file of references';

    protected function work(): int
    {
        $file = $this->text('file');
        $writer = Formats::writers()[$this->text('to')] ?? null;
        if ($writer === null) {
            return $this->unusable('Say what to write with --to='.implode('|', array_keys(Formats::writers())).'.');
        }
        $stream = is_file($file) && is_readable($file) ? fopen($file, 'rb') : false;
        if ($stream === false) {
            return $this->unusable("{$file} cannot be read.");
        }
        try {
            $from = $this->text('from') === '' ? Formats::recognise((string) fread($stream, 65536)) : $this->text('from');
            $reader = Formats::readers()[$from] ?? null;
            if ($reader === null) {
                return $this->unusable("“{$from}” is not a format that is read. Known: ".implode(', ', array_keys(Formats::readers())).'.');
            }
            rewind($stream);
            $rejected = 0;
            $number = 0;
            foreach ($writer->write($this->kept($reader->read($stream), $file, $rejected, $number)) as $piece) {
                $this->output->write($piece, false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);
            }
        } catch (UnusableFile $unusable) {
            return $this->unusable("{$file}: {$unusable->getMessage()}");
        }

        return $rejected > 0 ? self::FAILURE : self::SUCCESS;
    }

    /**
     * @param  iterable<Reference|UnreadableRecord>  $read
     * @return \Generator<int, Reference>
     */
    private function kept(iterable $read, string $file, int &$rejected, int &$number): \Generator
    {
        foreach ($read as $one) {
            if ($one instanceof Reference) {
                yield $number++ => $one;
            } else {
                $rejected++;
                $this->say("{$file}:{$one->line}: {$one->message}");
            }
        }
    }
}
