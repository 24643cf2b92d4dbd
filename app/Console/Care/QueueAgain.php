<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Tasks\LostWork;
use Illuminate\Console\Command;

/** After the queue was lost: what had not ended is queued again. */
final class QueueAgain extends Command
{
    protected $signature = 'heron:queue-again';

    protected $description = 'Queue again all background work that has not ended and has no place in the queue';

    public function handle(LostWork $lost): int
    {
        $this->line("Queued again: {$lost->execute(isLost: true)}.");

        return self::SUCCESS;
    }
}
