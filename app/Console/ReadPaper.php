<?php

declare(strict_types=1);

namespace App\Console;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;
use Symfony\Component\Console\Output\OutputInterface;
use WaryHeron\Core\FullText\Reading\Block;

/** Prints a paper as one reads it. */
final class ReadPaper extends PureCommand
{
    protected $signature = 'heron:text {file} {--as=plain : plain or json}';

    protected $description = 'Print a PDF in reading order';

    protected function work(): int
    {
        $file = $this->text('file');
        $as = $this->text('as');
        if (! in_array($as, ['plain', 'json'], true)) {
            return $this->unusable('A paper is printed --as=plain or --as=json.');
        }
        if (! is_file($file) || ! is_readable($file)) {
            return $this->unusable("{$file} cannot be read.");
        }
        try {
            $paper = PdfPaper::read($file);
            if ($paper->blocks === []) {
                throw UnreadablePdf::withoutText();
            }
        } catch (UnreadablePdf $unreadable) {
            return $this->unusable("{$file}: {$unreadable->getMessage()}");
        }
        $text =
            $as === 'plain'
                ? $paper->plain()
                : json_encode(
                    ['pages' => $paper->pages, 'blocks' => array_map(self::told(...), $paper->blocks)],
                    JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR,
                )."\n";
        $this->output->write($text, false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @return array<string, int|string|list<string>> */
    private static function told(Block $block): array
    {
        return [
            'kind' => $block->kind->value,
            'section' => $block->section->value,
            'heading' => $block->heading,
            'page' => $block->page,
            'text' => $block->text,
            ...$block->cells === [] ? [] : ['cells' => $block->cells],
        ];
    }
}
