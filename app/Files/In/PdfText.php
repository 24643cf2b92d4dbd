<?php

declare(strict_types=1);

namespace App\Files\In;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** The text layer of a PDF, read by poppler within bounds of time, memory and pages: PDFs come from anywhere. */
final readonly class PdfText
{
    private const SECONDS = 10;

    private const MEMORY = 1024 ** 3;

    private const PAGES = 200;

    private const BYTES = 3 * 1024 * 1024;

    /** @param  'read'|'locked'|'damaged'|'scan'  $state */
    private function __construct(public string $text, public ?int $pages, public string $state)
    {
    }

    /** Text with pages parted by form feeds, and the number of pages; empty and null where it cannot be read. */
    public static function of(string $path): self
    {
        $said = self::run(['pdfinfo', '-enc', 'UTF-8', $path]);
        $pages = preg_match('/^Pages:\s+(\d+)/m', $said->text, $found) === 1 ? min(32000, (int) $found[1]) : null;
        if ($pages === null) {
            return new self('', null, stripos($said->complaint, 'password') === false ? 'damaged' : 'locked');
        }
        $text = self::words($path);

        // each page ends with a form feed, with or without a word on it
        return new self($text, $pages, preg_match('/\S/u', $text) === 1 ? 'read' : 'scan');
    }

    private static function words(string $path): string
    {
        $text = self::run(['pdftotext', '-q', '-enc', 'UTF-8', '-l', (string) self::PAGES, $path, '-'])->text;

        return str_replace("\0", '', mb_scrub(substr($text, 0, self::BYTES), 'UTF-8'));
    }

    /** @param  list<string>  $command */
    private static function run(array $command): ToolSaid
    {
        $limits = ['--as='.self::MEMORY, '--cpu='.self::SECONDS, '--fsize=0', '--core=0'];
        $process = new Process(
            ['prlimit', ...$limits, ...$command],
            env: ['LC_ALL' => 'C.UTF-8'],
            timeout: self::SECONDS,
        );
        $said = '';
        try {
            // no more is kept of what it says than can be used
            $process->run(function (string $way, string $part) use (&$said, $process): void {
                if ($way === Process::OUT) {
                    $said .= $part;
                    $process->clearOutput();
                    strlen($said) > self::BYTES && $process->stop(0);
                }
            });
        } catch (ProcessTimedOutException) {
            return new ToolSaid();
        }

        $isWhole = $process->isSuccessful() || strlen($said) > self::BYTES;

        return new ToolSaid($isWhole ? $said : '', $process->getErrorOutput());
    }
}
