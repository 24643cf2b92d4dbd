<?php

declare(strict_types=1);

namespace App\Jobs\FullTexts;

use App\Actions\FullTexts\ReadPdf;
use App\Models\FullText;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/** Reads the text of a PDF that somebody brought, and finds what it is a copy of. */
final class ReadFullText implements ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 2;

    public bool $failOnTimeout = true;

    public function __construct(public readonly string $fullTextId)
    {
        $this->onQueue('files')->afterCommit();
    }

    public function handle(ReadPdf $read): void
    {
        $read->execute($this->fullTextId);
    }

    /** It stays, to be assigned by hand. */
    public function failed(): void
    {
        FullText::query()
            ->whereKey($this->fullTextId)
            ->where('state', 'reading')
            ->update(['state' => 'damaged']);
    }
}
