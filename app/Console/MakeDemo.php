<?php

declare(strict_types=1);

namespace App\Console;

use Database\Demo\DemoReview;
use Illuminate\Console\Command;

final class MakeDemo extends Command
{
    protected $signature = 'heron:demo';

    protected $description = 'Make the demo in an empty database: its people, a review half-way, and an empty one';

    public function handle(DemoReview $demo): int
    {
        $demo->make();
        $this->info('The demo is ready.');

        return self::SUCCESS;
    }
}
