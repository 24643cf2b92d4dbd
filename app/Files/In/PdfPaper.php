<?php

declare(strict_types=1);

namespace App\Files\In;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\WordBoxes;

/** The pages of a PDF with the boxes of their words, told by poppler within bounds: PDFs come from anywhere. */
final class PdfPaper
{
    private const SECONDS = 50;

    private const MEMORY = 500_000_000;

    private const PAGES = 1500;

    /** Of what poppler tells; a page of a paper has some 90 kB of it. */
    private const BYTES = 120_000_000;

    /** @throws UnreadablePdf */
    public static function read(string $path): Paper
    {
        return Paper::ofPages(self::pages($path));
    }

    /**
     * @return \Generator<int, Page>
     *
     * @throws UnreadablePdf
     */
    public static function pages(string $path): \Generator
    {
        $last = (string) self::PAGES;
        $tells = ['pdftotext', '-q', '-raw', '-bbox', '-cropbox', '-enc', 'UTF-8', '-l', $last, $path, '-'];

        return WordBoxes::pages(self::lines($tells, $path));
    }

    /**
     * @param  list<string>  $command
     * @return \Generator<int, string>
     *
     * @throws UnreadablePdf
     */
    private static function lines(array $command, string $path): \Generator
    {
        $process = self::process($command);
        $process->start();
        $rest = '';
        $told = 0;
        try {
            foreach ($process->getIterator(Process::ITER_SKIP_ERR) as $part) {
                $told += strlen($part);
                $lines = explode("\n", $rest.$part);
                $rest = (string) array_pop($lines);
                yield from $lines;
                if ($told > self::BYTES || strlen($rest) > 1_000_000) {
                    break;
                }
            }
        } catch (ProcessTimedOutException) {
            // what was read until then is the paper
        } finally {
            $process->stop(0);
        }
        yield $rest;
        if ($told === 0) {
            $why = self::process(['pdfinfo', '-l', '1', $path]);
            $why->run();
            throw UnreadablePdf::because($why->getErrorOutput());
        }
    }

    /** @param  list<string>  $command */
    private static function process(array $command): Process
    {
        $limits = ['--as='.self::MEMORY, '--cpu='.self::SECONDS, '--fsize=0', '--core=0'];

        return new Process(['prlimit', ...$limits, ...$command], env: ['LC_ALL' => 'C.UTF-8'], timeout: self::SECONDS);
    }
}
