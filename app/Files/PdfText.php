<?php

declare(strict_types=1);

namespace App\Files;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** The text layer of a PDF, read by poppler within bounds of time, memory and pages: PDFs come from anywhere. */
final readonly class PdfText
{
    private const SECONDS = 20;

    private const MEMORY = 1024 ** 3;

    private const PAGES = 200;

    private const BYTES = 3 * 1024 * 1024;

    private function __construct(public string $text, public ?int $pages)
    {
    }

    /** Text with pages parted by form feeds, and the number of pages; empty and null where it cannot be read. */
    public static function of(string $path): self
    {
        $about = self::run(['pdfinfo', '-enc', 'UTF-8', $path]);
        $pages = preg_match('/^Pages:\s+(\d+)/m', $about, $found) === 1 ? min(32000, (int) $found[1]) : null;
        $text = $pages === null ? '' : self::run(['pdftotext', '-q', '-enc', 'UTF-8', '-l', (string) self::PAGES, $path, '-']);

        return new self(str_replace("\0", '', mb_scrub(substr($text, 0, self::BYTES), 'UTF-8')), $pages);
    }

    /** @param  list<string>  $command */
    private static function run(array $command): string
    {
        $process = new Process(['prlimit', '--as='.self::MEMORY, '--cpu='.self::SECONDS, ...$command], env: ['LC_ALL' => 'C.UTF-8'], timeout: self::SECONDS);
        try {
            $process->run();
        } catch (ProcessTimedOutException) {
            return '';
        }

        return $process->isSuccessful() ? $process->getOutput() : '';
    }
}
