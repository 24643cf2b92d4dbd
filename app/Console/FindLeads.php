<?php

declare(strict_types=1);

namespace App\Console;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\BadCodebook;
use WaryHeron\Core\Coding\Lead\Asked\Codebook;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\LeadPass;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\HtmlPaper;
use WaryHeron\Core\FullText\Reading\Paper;

/** Proposes answers to a codebook's items from papers, one row each. */
final class FindLeads extends PureCommand
{
    protected $signature = 'heron:leads {codebook} {files*} {--pass=deep : deep, or fast: the abstract and the first pages}';

    protected $description = 'Propose answers to the items of a codebook from papers';

    private const LARGEST_HTML = 20_000_000;

    protected function work(): int
    {
        $pass = LeadPass::tryFrom($this->text('pass'));
        if ($pass === null) {
            return $this->unusable('A pass is --pass=deep or --pass=fast.');
        }
        $path = $this->text('codebook');
        try {
            $codebook = Codebook::fromJson(is_file($path) ? (string) file_get_contents($path) : '');
        } catch (BadCodebook $bad) {
            return $this->unusable("{$path}: {$bad->getMessage()}");
        }
        $out = fopen('php://stdout', 'wb') ?: throw new \RuntimeException('Standard output is closed.');
        fputcsv($out, ['file', 'item', 'value', 'unit', 'quote', 'page', 'confidence', 'reason'], escape: '');
        $engine = new LeadEngine();
        $unread = 0;
        foreach ((array) $this->argument('files') as $file) {
            try {
                $passages = Passages::of($this->paper((string) $file, $pass));
            } catch (UnreadablePdf $unreadable) {
                $this->say("{$file}: {$unreadable->getMessage()}");
                $unread++;

                continue;
            }
            foreach ($codebook->items as $item) {
                $this->tell($out, basename((string) $file), $item, $passages, $engine);
            }
        }

        return $unread === 0 ? self::SUCCESS : ($unread === count((array) $this->argument('files')) ? self::UNUSABLE : self::FAILURE);
    }

    /** @param  resource  $out */
    private function tell($out, string $file, AskedItem $item, Passages $passages, LeadEngine $engine): void
    {
        $lead = $engine->lead($item, $passages);
        if ($lead !== null) {
            fputcsv(
                $out,
                [$file, $item->id, $lead->value, $lead->unit, $lead->quote, $lead->page, $lead->confidence()->value, $lead->reason],
                escape: '',
            );
        }
    }

    private function paper(string $file, LeadPass $pass): Paper
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw new UnreadablePdf('It cannot be read.');
        }
        $paper = preg_match('/\.x?html?$/i', $file) === 1
            ? HtmlPaper::read((string) file_get_contents($file, length: self::LARGEST_HTML))
            : PdfPaper::read($file);
        if ($paper->blocks === []) {
            throw UnreadablePdf::withoutText();
        }

        return $pass->of($paper);
    }
}
