<?php

declare(strict_types=1);

namespace App\Jobs\FullTexts;

use App\Actions\Drafting\ReadNewCopy;
use App\Actions\FullTexts\KeepPages;
use App\Models\FullText;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/** Reads the words of a copy with their places, so that evidence can be marked in it. */
final class ReadPages implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 2;

    public int $uniqueFor = 600;

    public function __construct(public readonly string $fullTextId)
    {
        $this->onQueue('files')->afterCommit();
    }

    public function uniqueId(): string
    {
        return $this->fullTextId;
    }

    public function handle(KeepPages $keep, ReadNewCopy $drafts): void
    {
        $copy = FullText::query()->find($this->fullTextId);
        if ($copy?->state === 'read') {
            $keep->execute($copy);
            $drafts->execute($copy);
        }
    }
}
